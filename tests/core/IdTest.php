<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\EntryId;

final class IdTest extends TestCase
{
    public function testTwoAreTheSameWhenTheyAreOfOneKindAndTheirTextsAre(): void
    {
        self::assertTrue((new AccountId('a'))->is(new AccountId('a')));
        self::assertFalse((new AccountId('a'))->is(new AccountId('b')));
        self::assertFalse((new AccountId('a'))->is(new EntryId('a')));
    }

    public function testOutsideTheyAreTheirText(): void
    {
        self::assertSame(['a', '"a"'], [(string) new EntryId('a'), json_encode(new EntryId('a'))]);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\ShareKeptFree;

final class ShareKeptFreeTest extends TestCase
{
    /** @return iterable<string, array{int, int, int, int, int|null}> hours, clearing, unplanned, days, the share */
    public static function weeks(): iterable
    {
        yield 'an hour and a half of eight' => [20 * 480, 20 * 60, 20 * 30, 20, 20];
        yield 'exactly a quarter' => [20 * 480, 20 * 120, 0, 20, 25];
        yield 'a little more than a quarter' => [20 * 480, 20 * 121, 0, 20, 30];
        yield 'nothing came in' => [20 * 480, 0, 0, 12, 0];
        yield 'too little is known' => [20 * 480, 240, 100, 4, null];
        yield 'nobody works' => [0, 240, 100, 12, null];
        yield 'all of it, and more' => [20 * 480, 20 * 480, 20 * 480, 20, 90];
    }

    #[DataProvider('weeks')]
    public function testTheShareIsWhatCameIn(int $hours, int $clearing, int $unplanned, int $days, ?int $share): void
    {
        self::assertSame($share, ShareKeptFree::proposed($hours, $clearing, $unplanned, $days));
    }
}

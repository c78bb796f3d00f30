<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Person;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Person\Person;

/**
 * Who somebody is: Wren Halloran, who goes by two addresses.
 */
final class PersonTest extends TestCase
{
    /** @return iterable<string, array{string, bool}> */
    public static function addresses(): iterable
    {
        yield 'the one they go by' => ['wren@ternpoint.example', true];
        yield 'in capitals' => ['WREN@TernPoint.example', true];
        yield 'another of theirs' => ['office@ternpoint.example', true];
        yield 'somebody else at the same place' => ['petra@ternpoint.example', false];
        yield 'the same name elsewhere' => ['wren@glass.example', false];
    }

    #[DataProvider('addresses')]
    public function testEachAddressOfTheirsIsThem(string $email, bool $is): void
    {
        self::assertSame($is, self::wren()->is(new Address($email)));
        self::assertSame($is, self::wren()->isAmong([new Address('tam@glass.example'), new Address($email)]));
    }

    public function testNobodyIsAmongNobody(): void
    {
        self::assertFalse(self::wren()->isAmong([]));
        self::assertSame(['wren@ternpoint.example', 'office@ternpoint.example'], self::wren()->addresses());
    }

    /** @return iterable<string, array{string, string, bool}> what the writer calls them in To, a name in the text, whether it is theirs */
    public static function names(): iterable
    {
        yield 'the first name' => ['', 'Wren', true];
        yield 'the last name' => ['', 'halloran', true];
        yield 'both' => ['', 'WREN HALLORAN', true];
        yield 'with a title' => ['', 'Ms Halloran', true];
        yield 'a word beside' => ['', 'dear Wren', true];
        yield 'what stands before the @' => ['', 'w.halloran', false];
        yield 'somebody else' => ['', 'Petra', false];
        yield 'a name that begins alike' => ['', 'Wrenna', false];
        yield 'nobody' => ['', '', false];
        yield 'as the writer addresses them' => ['Birdie (Tern Point)', 'Point)', true];
        yield 'a pet name' => ['Birdie', 'Birdie', true];
        yield 'a pet name that nobody uses' => ['', 'Birdie', false];
    }

    #[DataProvider('names')]
    public function testANameMeansThemByAnyOfTheirNames(string $addressed, string $name, bool $is): void
    {
        $to = [new Address('tam@glass.example', 'Petra'), new Address('office@ternpoint.example', $addressed)];
        self::assertSame($is, self::wren()->isCalled($name, $to));
    }

    public function testWhoHasNoNameIsCalledByTheAddress(): void
    {
        $person = new Person('w.halloran@ternpoint.example');
        self::assertSame(
            [true, true, false],
            array_map(static fn (string $name): bool => $person->isCalled($name, []), ['Halloran', 'W', 'ternpoint']),
        );
    }

    private static function wren(): Person
    {
        return new Person('wren@ternpoint.example', 'Wren Halloran', others: ['office@ternpoint.example']);
    }
}

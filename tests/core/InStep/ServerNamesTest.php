<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\InStep;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\InStep\Security;
use ZippyTray\Core\InStep\ServerNames;

/**
 * Where the mailbox of an address is likely to be.
 *
 * @phpstan-import-type Srv from ServerNames
 */
final class ServerNamesTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function addresses(): iterable
    {
        yield 'plain' => ['wren@ternpoint.example', 'ternpoint.example'];
        yield 'with capitals and a dot' => ['Wren@TernPoint.Example.', 'ternpoint.example'];
        yield 'two signs' => ['"w@r"@ternpoint.example', 'ternpoint.example'];
        yield 'other letters' => ['wren@zürich.example', 'xn--zrich-kva.example'];
        yield 'a name alone' => ['wren@localhost', 'localhost'];
        yield 'none' => ['wren', ''];
        yield 'nothing behind it' => ['wren@', ''];
        yield 'a path' => ['wren@a/b', ''];
        yield 'a blank' => ['wren@a b.example', ''];
        yield 'too long' => ['wren@'.str_repeat('a', 64).'.example', ''];
    }

    #[DataProvider('addresses')]
    public function testTheDomain(string $address, string $domain): void
    {
        self::assertSame($domain, ServerNames::domain($address));
    }

    /** @return iterable<string, array{array<string, list<Srv>>, array{string, int, Security}|null}> */
    public static function records(): iterable
    {
        $one = static fn (string $target, int $port, int $priority = 0, int $weight = 0): array => [
            'target' => $target, 'port' => $port, 'priority' => $priority, 'weight' => $weight,
        ];
        yield 'nothing' => [[], null];
        yield 'TLS goes first' => [
            ['_imap._tcp' => [$one('a.example', 143)], '_imaps._tcp' => [$one('b.example', 993, 20)]],
            ['b.example', 993, Security::Tls],
        ];
        yield 'only the other' => [['_imap._tcp' => [$one('A.example.', 143)]], ['a.example', 143, Security::StartTls]];
        yield 'there is none' => [['_imaps._tcp' => [$one('.', 0)]], null];
        yield 'none with TLS' => [
            ['_imaps._tcp' => [$one('.', 0)], '_imap._tcp' => [$one('a.example', 143)]],
            ['a.example', 143, Security::StartTls],
        ];
        yield 'the lowest priority' => [
            ['_imaps._tcp' => [$one('far.example', 993, 20, 100), $one('near.example', 9993, 10)]],
            ['near.example', 9993, Security::Tls],
        ];
        yield 'the greater weight' => [
            ['_imaps._tcp' => [$one('small.example', 993, 10, 1), $one('large.example', 993, 10, 9)]],
            ['large.example', 993, Security::Tls],
        ];
        yield 'no port' => [['_imaps._tcp' => [$one('a.example', 0)]], null];
    }

    /**
     * @param array<string, list<Srv>>          $records
     * @param array{string, int, Security}|null $expected
     */
    #[DataProvider('records')]
    public function testWhatADomainSays(array $records, ?array $expected): void
    {
        $said = ServerNames::said('imap', $records);
        self::assertSame($expected, null === $said ? null : array_values($said));
    }

    public function testWhatServersAreUsuallyCalled(): void
    {
        self::assertSame(
            ['imap.ternpoint.example', 'mail.ternpoint.example'],
            array_column(ServerNames::usual('imap', 'ternpoint.example'), 'host'),
        );
        self::assertSame([465, 465], array_column(ServerNames::usual('smtp', 'ternpoint.example'), 'port'));
    }
}

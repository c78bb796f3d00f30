<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\InStep;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\InStep\FolderRole;
use ZippyTray\Core\InStep\FolderRoles;
use ZippyTray\Core\InStep\Patience;

/**
 * What the folders of a mailbox stand for, and when something is tried again.
 */
final class FolderRolesTest extends TestCase
{
    /** @return iterable<string, array{list<string>, array<string, string>}> a folder a line: name, then attributes behind a bar */
    public static function mailboxes(): iterable
    {
        yield 'the server says so' => [
            ['INBOX', 'Ablage|\Archive', 'Trash', 'Weg|\HasNoChildren \Trash', 'Post/Raus|\Sent', 'Müll|\Junk', 'Neu|\Drafts', 'Archive'],
            ['archive' => 'Ablage', 'bin' => 'Weg', 'sent' => 'Post/Raus', 'spam' => 'Müll', 'drafts' => 'Neu'],
        ];
        yield 'by name' => [
            ['INBOX', 'Sent Items', 'Sent', 'Deleted Items', 'Junk E-Mail', 'Archives', 'Drafts', 'Away', 'Projects/Archive'],
            [
                'sent' => 'Sent',
                'bin' => 'Deleted Items',
                'spam' => 'Junk E-Mail',
                'archive' => 'Archives',
                'drafts' => 'Drafts',
                'away' => 'Away',
            ],
        ];
        yield 'below the inbox' => [
            ['INBOX', 'INBOX/Trash', 'INBOX/Gesendete Objekte', 'INBOX/Kunden/Archiv'],
            ['bin' => 'INBOX/Trash', 'sent' => 'INBOX/Gesendete Objekte'],
        ];
        yield 'other languages and cases' => [
            ['inbox', 'CORBEILLE', 'Éléments envoyés', '迷惑メール', 'Papierkorb'],
            ['bin' => 'Papierkorb', 'sent' => 'Éléments envoyés', 'spam' => '迷惑メール'],
        ];
        yield 'what cannot be opened stands for nothing' => [['INBOX', 'Archive|\Noselect', 'archived'], ['archive' => 'archived']];
        yield 'a folder with everything is an archive' => [
            ['INBOX', 'Everything|\All', 'Bin|\Trash'],
            ['archive' => 'Everything', 'bin' => 'Bin'],
        ];
        yield 'said twice' => [['INBOX', 'A|\Archive', 'B|\Archive'], ['archive' => 'A']];
        yield 'nothing' => [['INBOX'], []];
    }

    /** @return iterable<string, array{string, list<string>, string}> what the server says of namespaces, folders, the name that is made */
    public static function newNames(): iterable
    {
        yield 'at the top' => ['', ['INBOX', 'Sent', 'INBOX/Projects'], 'Archive'];
        yield 'nothing but the inbox' => ['', ['INBOX'], 'Archive'];
        yield 'a namespace' => ['INBOX/', ['INBOX'], 'INBOX/Archive'];
        yield 'all below the inbox' => ['', ['INBOX', 'INBOX/Sent', 'inbox/Trash'], 'INBOX/Archive'];
        yield 'nothing at all' => ['', [], 'Archive'];
    }

    /** @param list<string> $folders */
    #[DataProvider('newNames')]
    public function testWhereAMissingOneIsMade(string $prefix, array $folders, string $made): void
    {
        self::assertSame($made, FolderRoles::made(
            FolderRole::Archive,
            $prefix,
            array_map(static fn (string $name): array => ['name' => $name, 'delimiter' => '/'], $folders),
        ));
    }

    /**
     * @param list<string>          $folders
     * @param array<string, string> $expected
     */
    #[DataProvider('mailboxes')]
    public function testWhatFoldersStandFor(array $folders, array $expected): void
    {
        $found = FolderRoles::of(array_map(static function (string $folder): array {
            [$name, $attributes] = explode('|', $folder, 2) + [1 => ''];

            return ['name' => $name, 'attributes' => '' === $attributes ? [] : explode(' ', $attributes), 'delimiter' => '/'];
        }, $folders));
        self::assertSame('INBOX', $found['inbox'] ?? null);
        unset($found['inbox']);
        ksort($found);
        ksort($expected);
        self::assertSame($expected, $found);
    }

    public function testPausesGrow(): void
    {
        $now = new \DateTimeImmutable('2026-11-24T10:00:00Z');
        $pauses = array_map(
            static fn (int $failures): int => Patience::until($failures, $now)->getTimestamp() - $now->getTimestamp(),
            [1, 2, 3, 4, 5, 6, 7, 1000],
        );
        self::assertSame([10, 60, 300, 900, 3600, 14400, 14400, 14400], $pauses);
    }
}

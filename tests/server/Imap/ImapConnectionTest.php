<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Imap;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\InStep\Security;
use ZippyTray\Demo\MailServer as Dovecot;
use ZippyTray\Server\Account\MailServer;
use ZippyTray\Server\Mailroom\Imap\FolderAnew;
use ZippyTray\Server\Mailroom\Imap\FolderStatus;
use ZippyTray\Server\Mailroom\Imap\ImapConnection;
use ZippyTray\Server\Mailroom\Imap\Listed;
use ZippyTray\Server\Mailroom\Imap\NotDone;
use ZippyTray\Server\Mailroom\Imap\NotSignedIn;
use ZippyTray\Server\Mailroom\In\NotReached;

/**
 * What is asked of a real server, and what it says.
 */
final class ImapConnectionTest extends TestCase
{
    use WithMailServer;

    public function testFoldersAreListedWithWhatTheyStandFor(): void
    {
        $connection = self::connection(self::person());
        $connection->create('Überblick & Co/Jänner');
        $folders = [];
        foreach ($connection->folders() as $folder) {
            $folders[$folder->name] = $folder;
        }
        self::assertContains('\archive', $folders['Archive']->attributes);
        self::assertArrayHasKey('Überblick & Co/Jänner', $folders);
        self::assertSame([0, 1], [$folders['INBOX']->messages, $folders['INBOX']->next]);
        self::assertGreaterThan(0, $folders['INBOX']->validity);
    }

    /** @return iterable<string, array{list<string>}> */
    public static function abilities(): iterable
    {
        yield 'all' => [[]];
        yield 'without MOVE' => [['MOVE']];
        yield 'without UIDPLUS' => [['UIDPLUS']];
        yield 'without both' => [['MOVE', 'UIDPLUS']];
        yield 'old' => [['MOVE', 'UIDPLUS', 'CONDSTORE', 'QRESYNC', 'SPECIAL-USE', 'LIST-STATUS', 'LIST-EXTENDED', 'ESEARCH', 'LITERAL+']];
    }

    /** @param list<string> $without */
    #[DataProvider('abilities')]
    public function testAMessageIsPutThereListedReadMovedAndRemoved(array $without): void
    {
        $dovecot = [] === $without ? self::dovecot() : self::serve($without);
        try {
            $connection = self::connection(self::person(), $dovecot);
            $raw = self::letter('Lantern glass', 'one@glass.example', "Zeile\r\n.\r\nein \xe2\x9c\x93");
            $connection->append('INBOX', $raw, ['\Flagged'], new \DateTimeImmutable('2026-11-20T08:00:00Z'));
            $connection->append('INBOX', self::letter('Other', 'two@glass.example'), [], new \DateTimeImmutable('2026-11-21T08:00:00Z'));
            $inbox = self::folder($connection, 'INBOX');
            $listed = iterator_to_array($connection->listed('INBOX', $inbox->validity, self::folder($connection, 'INBOX')->next), false);
            self::assertSame(
                ['one@glass.example', 'two@glass.example'],
                array_map(static fn (Listed $one): string => $one->header, $listed),
            );
            self::assertSame([\strlen($raw), '2026-11-20'], [$listed[0]->size, $listed[0]->at?->format('Y-m-d')]);
            self::assertFalse($listed[0]->isSeen());
            self::assertSame([$listed[0]->uid => $raw], $connection->sources('INBOX', $inbox->validity, [$listed[0]->uid, 999]));

            $connection->mark('INBOX', $inbox->validity, $listed[0]->uid, ['\Seen', '$Forwarded'], ['\Flagged']);
            $flags = $connection->some('INBOX', $inbox->validity, [$listed[0]->uid])[0]->flags;
            sort($flags);
            self::assertSame(['$forwarded', '\seen'], array_values(array_diff($flags, ['\recent'])));

            $uid = $connection->move('INBOX', $inbox->validity, $listed[0]->uid, 'Archive');
            $archive = self::folder($connection, 'Archive')->validity;
            $found = $connection->find('Archive', $archive, 'one@glass.example');
            self::assertCount(1, $found);
            self::assertContains($uid, [null, $found[0]->uid]);
            self::assertTrue($found[0]->isSeen());
            $left = array_filter(
                iterator_to_array($connection->listed('INBOX', $inbox->validity, self::folder($connection, 'INBOX')->next), false),
                static fn (Listed $one): bool => !$one->isDeleted(),
            );
            self::assertSame(['two@glass.example'], array_values(array_map(static fn (Listed $one): string => $one->header, $left)));

            $connection->expunge('Archive', $archive, [$found[0]->uid]);
            self::assertSame([], array_filter(
                $connection->find('Archive', $archive, 'one@glass.example'),
                static fn (Listed $one): bool => !$one->isDeleted(),
            ));
        } finally {
            [] === $without || self::endServing($dovecot);
        }
    }

    public function testWhatHasChangedSinceIsToldByTheServer(): void
    {
        $user = self::person();
        $connection = self::connection($user);
        foreach (range(1, 5) as $number) {
            $connection->append(
                'INBOX',
                self::letter("Letter {$number}", "{$number}@glass.example"),
                [],
                new \DateTimeImmutable('2026-11-20'),
            );
        }
        $inbox = self::folder($connection, 'INBOX');
        $other = self::connection($user);
        $other->mark('INBOX', $inbox->validity, 2, ['\Seen']);
        $other->move('INBOX', $inbox->validity, 4, 'Trash');
        $connection = self::connection($user);
        self::assertSame([4], $connection->vanished('INBOX', $inbox->validity, $inbox->modSeq));
        $changed = $connection->flags('INBOX', $inbox->validity, $inbox->modSeq);
        self::assertSame([2], array_map(static fn (Listed $one): int => $one->uid, $changed));
        self::assertSame([1, 2, 3, 5], $connection->uids('INBOX', $inbox->validity));
        self::assertSame([3, 5], array_map(
            static fn (Listed $one): int => $one->uid,
            iterator_to_array($connection->listed('INBOX', $inbox->validity, 6, 3), false),
        ));
    }

    public function testAnEmptyFolderAndOneBehindTheEnd(): void
    {
        $connection = self::connection(self::person());
        $inbox = self::folder($connection, 'INBOX');
        self::assertSame(
            [],
            iterator_to_array($connection->listed('INBOX', $inbox->validity, self::folder($connection, 'INBOX')->next), false),
        );
        self::assertSame([], $connection->flags('INBOX', $inbox->validity));
        self::assertSame([], $connection->uids('INBOX', $inbox->validity));
        $connection->append('INBOX', self::letter('One', '1@glass.example'), [], new \DateTimeImmutable('2026-11-20'));
        self::assertSame([], iterator_to_array($connection->listed('INBOX', $inbox->validity, 5, 2), false));
        self::assertCount(1, iterator_to_array($connection->listed('INBOX', $inbox->validity, 5000), false));
    }

    public function testAFolderThatWasMadeAnewIsNoticed(): void
    {
        $connection = self::connection(self::person());
        $this->expectException(FolderAnew::class);
        $connection->uids('INBOX', self::folder($connection, 'INBOX')->validity + 1);
    }

    public function testAFolderThatIsNotThere(): void
    {
        $connection = self::connection(self::person());
        $connection->append('INBOX', self::letter('One', '1@glass.example'), [], new \DateTimeImmutable('2026-11-20'));
        $this->expectException(NotDone::class);
        $connection->move('INBOX', self::folder($connection, 'INBOX')->validity, 1, 'Nowhere');
    }

    /** @return iterable<string, array{string, int|null, Security, string, bool, class-string<\Throwable>|null}> */
    public static function signIns(): iterable
    {
        yield 'the right password' => ['127.0.0.1', null, Security::Plain, Dovecot::PASSWORD, false, null];
        yield 'a wrong one' => ['127.0.0.1', null, Security::Plain, 'wrong', false, NotSignedIn::class];
        yield 'nobody there' => ['127.0.0.1', 1, Security::Plain, Dovecot::PASSWORD, false, NotReached::class];
        yield 'TLS with the authority named' => ['localhost', 993, Security::Tls, Dovecot::PASSWORD, true, null];
        yield 'TLS with a certificate that nobody trusts' => ['localhost', 993, Security::Tls, Dovecot::PASSWORD, false, NotReached::class];
        yield 'TLS for another name' => ['ip6-localhost', 993, Security::Tls, Dovecot::PASSWORD, true, NotReached::class];
        yield 'STARTTLS with the authority named' => ['localhost', null, Security::StartTls, Dovecot::PASSWORD, true, null];
        yield 'STARTTLS with a certificate that nobody trusts' => [
            'localhost',
            null,
            Security::StartTls,
            Dovecot::PASSWORD,
            false,
            NotReached::class,
        ];
        yield 'TLS where none is spoken' => ['localhost', null, Security::Tls, Dovecot::PASSWORD, true, NotReached::class];
    }

    /** @param class-string<\Throwable>|null $problem */
    #[DataProvider('signIns')]
    public function testSigningIn(string $host, ?int $port, Security $security, string $password, bool $isTrusted, ?string $problem): void
    {
        $dovecot = self::dovecot();
        $connection = new ImapConnection(new MailServer(
            [$host, match ($port) {
                null => $dovecot->port,
                993 => $dovecot->tlsPort,
                default => $port,
            }, $security],
            ['', 0, Security::Tls],
            self::person(),
            $password,
            $isTrusted ? $dovecot->authority() : '',
        ));
        try {
            $connection->open();
            self::assertNull($problem);
            self::assertNotSame([], $connection->folders());
        } catch (NotReached $reached) {
            self::assertSame($problem, $reached::class, $reached->getMessage());
            self::assertStringNotContainsString($password, $reached->getMessage().print_r($reached->getPrevious()?->getMessage(), true));
        }
    }

    private static function folder(ImapConnection $connection, string $name): FolderStatus
    {
        return $connection->folder($name) ?? self::fail("There is no {$name}.");
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Imap;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;
use ZippyTray\Demo\MailServer as Dovecot;
use ZippyTray\Server\DataFolder;
use ZippyTray\Server\Mailroom\Deliver;
use ZippyTray\Server\Mailroom\InStep\KeepInStep;

/**
 * Connecting a mailbox: found, tried, connected, disconnected.
 */
final class MailboxesTest extends MailboxTestCase
{
    public function testTheServersAreProposedFromTheAddress(): void
    {
        $this->signIn();
        $usual = $this->call('POST', '/mailboxes/proposals', ['address' => 'wren@ternpoint.example']);
        self::assertSame(
            [['security' => 'tls', 'host' => 'imap.ternpoint.example', 'port' => 993], false],
            [$usual['imap'], $usual['isSaid']],
        );
        $this->service(SaidRecords::class)->says('_imaps._tcp.glass.example', 'post.house.example.', 9993);
        $said = $this->call('POST', '/mailboxes/proposals', ['address' => 'tam@Glass.example']);
        self::assertSame(
            [['security' => 'tls', 'host' => 'post.house.example', 'port' => 9993], true],
            [$said['imap'], $said['isSaid']],
        );
        self::assertSame('address', $this->field($this->call('POST', '/mailboxes/proposals', ['address' => 'nobody'], 422)));
    }

    public function testTryingSaysWhatIsThereAndKeepsNothing(): void
    {
        $this->signIn();
        $this->at = self::dovecot();
        $this->user = self::person();
        $this->there('Lantern glass', 'one@glass.example');
        $this->there('Roof survey', 'two@glass.example', 'Archive');
        $found = $this->call('POST', '/mailboxes/trials', $this->fields());
        self::assertSame([2, 1, []], [$found['messages'], $found['inbox'], $found['missing']]);
        self::assertContains(['name' => 'Trash', 'role' => 'bin', 'messages' => 0], (array) $found['folders']);
        self::assertStringContainsString('sending', self::text($found['sends']));
        self::assertSame(['mailboxes' => []], $this->call('GET', '/mailboxes'));
        self::assertSame(0, $this->number('SELECT COUNT(*) FROM server_state'));
    }

    public function testFoldersThatAreMissingAreMadeOnRequest(): void
    {
        $this->signIn();
        $this->at = self::serve(folders: ['Sent \Sent', 'Trash \Trash']);
        $this->user = self::person();
        $missing = $this->call('POST', '/mailboxes/trials', $this->fields())['missing'];
        self::assertSame(['archive', 'spam'], $missing);
        $found = $this->call('POST', '/mailboxes/folders', $this->fields());
        self::assertSame([], $found['missing']);
        self::assertContains(['name' => 'Archive', 'role' => 'archive', 'messages' => 0], (array) $found['folders']);
        self::assertSame($found, $this->call('POST', '/mailboxes/folders', $this->fields()), 'Once is enough.');
        self::endServing($this->at);
    }

    public function testTheAuthorityStaysWhenOthersAreNotNamed(): void
    {
        $this->signIn();
        $this->at = self::dovecot();
        $this->user = self::person();
        $key = openssl_pkey_new(['private_key_bits' => 2048]);
        $request = openssl_csr_new(['commonName' => 'An authority'], $key);
        self::assertInstanceOf(\OpenSSLCertificateSigningRequest::class, $request);
        self::assertInstanceOf(\OpenSSLAsymmetricKey::class, $key);
        $certificate = openssl_csr_sign($request, null, $key, 3);
        self::assertNotFalse($certificate);
        openssl_x509_export($certificate, $authority);
        foreach ([[$authority, true], [null, true], ['', false]] as [$said, $isKept]) {
            $mailbox = $this->mailbox($this->call('PUT', '/mailboxes', ['authority' => $said] + $this->fields()));
            self::assertSame($isKept, $mailbox['authority']);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, string, string}> */
    public static function mistakes(): iterable
    {
        yield 'a wrong password' => [['password' => 'wrong'], [], 'password', 'does not take'];
        yield 'no password' => [['password' => ''], [], 'password', 'password'];
        yield 'nobody there' => [[], ['port' => 1], 'imapHost', 'cannot be reached'];
        yield 'no encryption over the network' => [[], ['host' => 'mail.ternpoint.example'], 'imapSecurity', 'same machine'];
        yield 'TLS where none is spoken' => [[], ['security' => 'tls'], 'imapHost', 'encrypted'];
        yield 'a name with more in it' => [[], ['host' => 'imap://x/'], 'imapHost', 'without anything'];
        yield 'certificates that are none' => [['authority' => 'trust me'], [], 'authority', 'certificates'];
    }

    /**
     * @param array<string, mixed> $fields
     * @param array<string, mixed> $imap
     */
    #[DataProvider('mistakes')]
    public function testWhatIsWrongIsSaidAtItsField(array $fields, array $imap, string $field, string $said): void
    {
        $this->signIn();
        $this->at = self::dovecot();
        $this->user = self::person();
        $body = $fields + ['imap' => $imap + $this->fields()['imap']] + $this->fields();
        $problem = $this->call('POST', '/mailboxes/trials', $body, 422);
        self::assertSame($field, $this->field($problem));
        self::assertStringContainsString($said, json_encode($problem, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE));
    }

    public function testItIsConnectedKeptInStepAndDisconnected(): void
    {
        $this->wren = $this->signIn();
        $this->at = self::dovecot();
        $this->user = self::person();
        $this->there('Lantern glass', 'one@glass.example');
        $mailbox = $this->mailbox($this->call('PUT', '/mailboxes', $this->fields()));
        self::assertSame([$this->user, 0, null, ''], [$mailbox['user'], $mailbox['here'], $mailbox['lookedAt'], $mailbox['problem']]);
        $this->service(KeepInStep::class)(static fn (): bool => false);
        $mailbox = $this->mailbox($this->call('GET', '/mailboxes'));
        self::assertSame([1, 0, 0, false], [$mailbox['here'], $mailbox['wanted'], $mailbox['waiting'], $mailbox['paused']]);
        self::assertSame('tray', $this->place('Lantern glass'));

        // Something else about it, without the password; to another server it is not handed on.
        $this->call('PUT', '/mailboxes', ['password' => '', 'hasAway' => false] + $this->fields());
        $elsewhere = ['password' => '', 'imap' => ['host' => 'localhost', 'port' => 1, 'security' => 'plain']] + $this->fields();
        self::assertSame('password', $this->field($this->call('PUT', '/mailboxes', $elsewhere, 422)));

        $this->call('DELETE', '/mailboxes/7', status: 404);
        self::assertSame(['mailboxes' => []], $this->call('DELETE', '/mailboxes/0'));
        self::assertSame('tray', $this->place('Lantern glass'));
        $this->decide('archive', [$this->conversation('Lantern glass')]);
        $this->service(KeepInStep::class)(static fn (): bool => false);
        self::assertSame(['INBOX one'], $this->lies());
        self::assertSame(0, $this->number('SELECT (SELECT COUNT(*) FROM server_copy) + (SELECT COUNT(*) FROM server_mark)'));
    }

    public function testThePasswordIsNowhereToBeRead(): void
    {
        $this->signIn();
        $this->at = self::dovecot();
        $this->user = self::person();
        $this->call('PUT', '/mailboxes', $this->fields());
        $this->service(KeepInStep::class)(static fn (): bool => false);
        $answer = json_encode($this->call('GET', '/mailboxes'), \JSON_THROW_ON_ERROR);
        self::assertStringNotContainsString(Dovecot::PASSWORD, $answer);
        $this->service(Connection::class)->executeStatement('PRAGMA wal_checkpoint(TRUNCATE)');
        self::assertStringNotContainsString(Dovecot::PASSWORD, (string) file_get_contents(DataFolder::path().'/zippy-tray.sqlite'));
        foreach (glob(DataFolder::path().'/log/*.log') ?: [] as $log) {
            self::assertStringNotContainsString(Dovecot::PASSWORD, (string) file_get_contents($log));
        }
        self::assertSame('0600', substr(\sprintf('%o', (int) fileperms(DataFolder::path().'/key')), -4));
    }

    public function testWithAnotherKeyItIsConnectedAnewAndStaysTheSame(): void
    {
        $this->wren = $this->signIn();
        $this->at = self::dovecot();
        $this->user = self::person();
        $this->there('Lantern glass', 'one@glass.example');
        $this->call('PUT', '/mailboxes', $this->fields());
        $this->service(KeepInStep::class)(static fn (): bool => false);
        $key = (string) file_get_contents(DataFolder::path().'/key');
        try {
            DataFolder::write(DataFolder::path().'/key', bin2hex(random_bytes(32)));
            $this->service(KeepInStep::class)(static fn (): bool => false);
            $mailbox = $this->mailbox($this->call('GET', '/mailboxes'));
            self::assertStringContainsString('cannot be opened', self::text($mailbox['problem']));
            $mailbox = $this->mailbox($this->call('PUT', '/mailboxes', $this->fields()));
            self::assertSame([0, 1, ''], [$mailbox['number'], $mailbox['here'], $mailbox['problem']]);
            $this->inStep();
            self::assertCount(1, $this->rows('/tray'));
        } finally {
            DataFolder::write(DataFolder::path().'/key', $key);
        }
    }

    public function testTwoMailboxesComeIntoOneTray(): void
    {
        $this->signIn();
        $this->at = self::dovecot();
        foreach (['first', 'second'] as $which) {
            $this->user = self::person();
            self::connection($this->user)->append(
                'INBOX',
                self::letter("To the {$which}", "{$which}@glass.example"),
                [],
                new \DateTimeImmutable('2026-11-24T09:00:00Z'),
            );
            $this->call('PUT', '/mailboxes', ['address' => "{$which}@ternpoint.example"] + $this->fields());
        }
        $this->service(KeepInStep::class)(static fn (): bool => false);
        self::assertEqualsCanonicalizing(['To the first', 'To the second'], array_column($this->rows('/tray'), 'subject'));
        $where = array_column($this->rows('/tray'), 'mailbox', 'subject');
        ksort($where);
        self::assertSame(['To the first' => 'first@', 'To the second' => 'second@'], $where);
        $this->call('DELETE', '/mailboxes/0');
        self::assertSame(['', ''], array_column($this->rows('/tray'), 'mailbox'));
        self::assertSame([1], array_column((array) $this->call('GET', '/mailboxes')['mailboxes'], 'number'));
        $this->call('POST', '/mailboxes/looks', status: 204);
    }

    public function testAnAnswerComesFromTheAddressThatWasWrittenToByTheServerOfItsMailbox(): void
    {
        $this->wren = $this->signIn();
        $this->at = self::dovecot();
        $taken = (string) tempnam(sys_get_temp_dir(), 'taken');
        $smtp = new Process(['php', \dirname(__DIR__).'/Mailroom/smtp-listener.php', 'take', $taken]);
        $smtp->start();
        $smtp->waitUntil(static fn (string $type, string $output): bool => '' !== trim($output));
        $this->user = self::person();
        $this->call('PUT', '/mailboxes', $this->fields());
        $this->user = self::person();
        $this->other()->append(
            'INBOX',
            str_replace('wren@', 'shop+lens@', self::letter('Lantern glass', 'one@glass.example')),
            [],
            new \DateTimeImmutable('2026-11-24T09:00:00Z'),
        );
        $this->call('PUT', '/mailboxes', [
            'address' => 'office@ternpoint.example',
            'aliases' => ['shop@ternpoint.example'],
            'smtp' => ['host' => '127.0.0.1', 'port' => (int) $smtp->getOutput(), 'security' => 'plain'],
        ] + $this->fields());
        $this->service(KeepInStep::class)(static fn (): bool => false);
        $session = (array) $this->call('GET', '/session')['account'];
        self::assertSame(['wren@ternpoint.example', 'office@ternpoint.example', 'shop@ternpoint.example'], $session['senders']);

        $message = self::text($this->column('SELECT id FROM message')[0] ?? null);
        $letter = $this->call('GET', '/answers?kind=reply&message='.$message);
        self::assertSame('shop@ternpoint.example', $letter['from']);
        $written = array_intersect_key(
            $letter,
            array_flip(['to', 'cc', 'bcc', 'subject', 'text', 'formatted', 'carried', 'what', 'until', 'from']),
        );
        $draft = [
            'revision' => 0,
            'kind' => 'reply',
            'message' => $message,
            'letter' => ['files' => [], 'text' => 'Here it is.'] + $written,
        ];
        $id = self::id();
        self::assertSame('from', $this->field($this->call('PUT', '/outgoing/'.$id, [
            'letter' => ['from' => 'somebody@else.example'] + $draft['letter'],
        ] + $draft, 422)));
        $this->call('PUT', '/outgoing/'.$id, $draft);
        $this->call('POST', "/outgoing/{$id}/send", ['entry' => self::id(), 'atOnce' => true]);
        $this->service(Deliver::class)(static fn (): bool => false);
        $smtp->stop(0);
        // Where it was written from it lies in Sent, and not in the other one.
        for ($look = 0; $look < 4; ++$look) {
            $this->later();
            $this->inStep();
        }
        self::assertSame(['Sent'], array_values(array_filter(
            array_map(static fn (string $one): string => explode(' ', $one)[0], $this->lies()),
            static fn (string $folder): bool => 'INBOX' !== $folder,
        )));
        $sent = (string) file_get_contents($taken);
        unlink($taken);
        self::assertStringContainsString('MAIL FROM:<shop@ternpoint.example>', $sent);
        self::assertStringContainsString('From: Wren Halloran <shop@ternpoint.example>', $sent);
    }
}

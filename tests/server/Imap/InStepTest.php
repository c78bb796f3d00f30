<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Imap;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\DataProvider;
use ZippyTray\Demo\MailServer as Dovecot;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Mailroom\Deliver;
use ZippyTray\Server\Mailroom\Imap\ImapConnection;
use ZippyTray\Server\Mailroom\InStep\BoxSettings;
use ZippyTray\Server\Mailroom\InStep\KeepInStep;
use ZippyTray\Server\Mailroom\InStep\ServerBoxes;

/**
 * A mailbox on a real server, kept in step: what is decided here is seen there, what is done there is seen here.
 */
final class InStepTest extends MailboxTestCase
{
    /** What is decided: what it is called, until when, the place here, and the folder there. */
    private const DECISIONS = [
        'archive' => ['archive', null, 'archive', 'Archive'],
        'delete' => ['delete', null, 'bin', 'Trash'],
        'snooze' => ['snooze', ['phrase' => 'in 3 days'], 'away', 'Away'],
        'mute' => ['mute', null, 'archive', 'Archive'],
        'block' => ['block', null, 'blocked', 'Junk'],
    ];

    public function testMailComesIn(): void
    {
        $this->connect();
        $this->there('Lantern glass', 'one@glass.example');
        $this->there('Roof survey', 'two@glass.example', 'Archive');
        $this->inStep();
        self::assertSame(['Lantern glass'], array_column($this->rows('/tray'), 'subject'));
        self::assertSame('archive', $this->place('Roof survey'));
        $this->there('Rota', 'three@glass.example');
        $this->inStep();
        $this->inStep();
        self::assertSame(['Rota', 'Lantern glass'], array_column($this->rows('/tray'), 'subject'));
        self::assertSame(['INBOX one', 'INBOX three', 'Archive two'], $this->lies());
    }

    /** @return iterable<string, array{string, array<string, string>|null, string, string, list<string>}> */
    public static function decisions(): iterable
    {
        $servers = ['all' => [], 'without MOVE' => ['MOVE'], 'without MOVE and UIDPLUS' => ['MOVE', 'UIDPLUS', 'CONDSTORE', 'QRESYNC']];
        foreach ($servers as $server => $without) {
            foreach (self::DECISIONS as $name => [$kind, $more, $place, $folder]) {
                yield "{$name}, {$server}" => [$kind, $more, $place, $folder, $without];
            }
        }
    }

    /**
     * @param array<string, string>|null $until
     * @param list<string>               $without
     */
    #[DataProvider('decisions')]
    public function testADecisionIsSeenThereAndItsUndoToo(string $kind, ?array $until, string $place, string $folder, array $without): void
    {
        $this->connect([] === $without ? null : self::without($without));
        $this->there('Lantern glass', 'one@glass.example');
        $this->there('Roof survey', 'two@glass.example');
        $this->inStep();
        $id = $this->conversation('Lantern glass');
        $entry = $this->decide($kind, [$id], $until);
        $this->inStep();
        self::assertSame($place, $this->place('Lantern glass'));
        self::assertSame([$folder.' one', 'INBOX two'], $this->lies());
        $this->inStep();
        self::assertSame([$folder.' one', 'INBOX two'], $this->lies());

        $this->undo($entry);
        $this->inStep();
        self::assertSame('tray', $this->place('Lantern glass'));
        self::assertSame(['INBOX one', 'INBOX two'], $this->lies());
        $this->inStep();
        self::assertSame(['INBOX one', 'INBOX two'], $this->lies());
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function moves(): iterable
    {
        yield 'archived' => ['Archive', 'archive', 'archived elsewhere'];
        yield 'deleted' => ['Trash', 'bin', 'deleted elsewhere'];
        yield 'called spam' => ['Junk', 'bin', 'deleted elsewhere'];
        yield 'filed' => ['Projects/Tern', 'archive', 'archived elsewhere'];
        yield 'removed for good' => ['', 'bin', 'removed elsewhere'];
    }

    #[DataProvider('moves')]
    public function testWhatIsDecidedThereIsSeenHereAndCanBeUndone(string $folder, string $place, string $said): void
    {
        $this->connect();
        $this->there('Lantern glass', 'one@glass.example');
        $this->inStep();
        $other = $this->other();
        str_contains($folder, '/') && $other->create($folder);
        $this->move($other, 'one', 'INBOX', $folder);
        $this->inStep();
        self::assertSame($place, $this->place('Lantern glass'));
        $entry = (array) ((array) $this->call('GET', '/journal')['entries'])[0];
        self::assertSame('elsewhere', $entry['kind']);
        self::assertStringContainsString($said, self::text($entry['consequence'] ?? null));

        $this->undo($entry);
        $this->inStep();
        self::assertSame('tray', $this->place('Lantern glass'));
        self::assertSame(['INBOX one'], $this->lies());
        $this->inStep();
        self::assertSame(['INBOX one'], $this->lies());
    }

    public function testWhatIsAwayIsInTheInboxAgainWhenItsTimeHasCome(): void
    {
        $this->connect();
        $this->there('Lantern glass', 'one@glass.example');
        $this->inStep();
        $this->decide('snooze', [$this->conversation('Lantern glass')], ['phrase' => 'in 3 days']);
        $this->inStep();
        self::assertSame(['Away one'], $this->lies());
        $this->service(ProgramClock::class)->turnTo(new \DateTimeImmutable('2026-11-27T12:00:00Z'));
        $this->inStep();
        self::assertSame('tray', $this->place('Lantern glass'));
        self::assertSame(['INBOX one'], $this->lies());
    }

    public function testReadHereIsReadThereAndTheOtherWayRound(): void
    {
        $this->connect();
        $this->there('Lantern glass', 'one@glass.example');
        $this->there('Roof survey', 'two@glass.example');
        $this->inStep();
        $this->call('PUT', '/conversations/'.$this->conversation('Lantern glass').'/read', null, 204);
        $other = $this->other();
        $other->mark('INBOX', $this->validity($other, 'INBOX'), $this->uid($other, 'INBOX', 'two'), ['\Seen']);
        $this->inStep();
        self::assertTrue($this->isSeen('one'));
        self::assertSame([false, false], array_column($this->rows('/tray'), 'unread'));
    }

    public function testANewUidvalidityDoublesNothing(): void
    {
        $this->connect();
        $this->there('Lantern glass', 'one@glass.example');
        $this->there('Roof survey', 'two@glass.example');
        $this->inStep();
        $this->decide('archive', [$this->conversation('Roof survey')]);
        $this->inStep();
        foreach (['', '/.Archive'] as $folder) {
            $file = $this->at->folder.'/mail/'.$this->user.$folder.'/dovecot-uidlist';
            $lines = (string) file_get_contents($file);
            file_put_contents(
                $file,
                (string) preg_replace_callback('/ V(\d+)/', static fn (array $m): string => ' V'.((int) $m[1] + 1000), $lines, 1),
            );
            foreach (glob(\dirname($file).'/dovecot.index*') ?: [] as $index) {
                unlink($index);
            }
        }
        $this->inStep();
        self::assertSame(['Lantern glass'], array_column($this->rows('/tray'), 'subject'));
        self::assertSame('2', (string) $this->number('SELECT COUNT(*) FROM message'));
        $this->decide('archive', [$this->conversation('Lantern glass')]);
        $this->inStep();
        self::assertSame(['Archive one', 'Archive two'], $this->lies());
        self::assertSame(2, $this->number('SELECT COUNT(*) FROM server_copy'));
    }

    public function testARenamedFolderIsTheSameFolder(): void
    {
        $this->connect();
        $this->there('Lantern glass', 'one@glass.example', 'Archive');
        $this->inStep();
        exec(\sprintf(
            'doveadm -c %s mailbox rename -u %s Archive Kept 2>&1',
            escapeshellarg($this->at->folder.'/dovecot.conf'),
            $this->user,
        ));
        $this->inStep();
        $this->inStep();
        self::assertSame('archive', $this->place('Lantern glass'));
        // The server makes a new one of the old name, and says that this is its archive.
        self::assertSame(
            ['other', 'archive'],
            $this->column("SELECT role FROM server_folder WHERE name IN ('Kept', 'Archive') ORDER BY id"),
        );
        self::assertSame(1, $this->number('SELECT COUNT(*) FROM server_copy WHERE missed = 0'));
    }

    /** @return iterable<string, array{bool}> */
    public static function keepers(): iterable
    {
        yield 'the server keeps nothing' => [false];
        yield 'the server keeps what is sent by itself' => [true];
    }

    #[DataProvider('keepers')]
    public function testWhatWasSentSinceLiesInSentOnce(bool $isKeptThere): void
    {
        $this->connect();
        $this->wren->mailboxes()[0]->connect(MailWays::postRoom());
        $this->service(EntityManagerInterface::class)->flush();
        $this->there('Lantern glass', 'one@glass.example');
        $this->inStep();
        $this->send('Before it was connected', 0);
        $this->service(ServerBoxes::class)->begin($this->wren, 0, new BoxSettings(begunAt: '2026-11-24T10:05:00Z'));
        $id = (array) $this->call('GET', '/conversations/'.$this->conversation('Lantern glass'));
        $this->send('Re: Lantern glass', 10, self::text(((array) ((array) $id['messages'])[0])['id'] ?? null));
        $sent = $this->column('SELECT s.source FROM message m JOIN message_source s ON s.message_id = m.id WHERE m.subject = ?', [
            'Re: Lantern glass',
        ]);
        if ($isKeptThere) {
            $this->other()->append('Sent', (string) gzuncompress(self::text($sent[0])), ['\Seen'], new \DateTimeImmutable());
        }
        $this->inStep();
        self::assertCount($isKeptThere ? 2 : 1, $this->lies(), 'It is waited for the server.');
        foreach ([20, 40, 60] as $minutes) {
            $this->service(ProgramClock::class)->turnTo((new \DateTimeImmutable(self::BEGIN))->modify("+{$minutes} minutes"));
            $this->inStep();
        }
        self::assertSame(['INBOX', 'Sent'], array_map(static fn (string $one): string => explode(' ', $one)[0], $this->sorted()));
        self::assertSame([$isKeptThere ? 1 : 0], $this->column("SELECT settings ->> 'sentFound' FROM server_state"));
        self::assertSame(0, $this->number('SELECT COUNT(*) FROM server_wish'));
        self::assertSame([1], $this->column("SELECT told FROM server_copy WHERE settled = 'inbox'"));
    }

    public function testWhatThePersonSaysOfSentGoesBeforeWhatIsFound(): void
    {
        $this->connect();
        $this->wren->mailboxes()[0]->connect(MailWays::postRoom());
        $this->service(EntityManagerInterface::class)->flush();
        $this->there('Lantern glass', 'one@glass.example');
        $this->inStep();
        $this->service(ServerBoxes::class)->begin($this->wren, 0, new BoxSettings(begunAt: '2026-11-24T10:05:00Z'));
        $answered = function (bool $keepsSent, int $minute): void {
            $this->service(ServerBoxes::class)->change($this->wren, 0, ['keepsSent' => $keepsSent, 'sentFound' => !$keepsSent]);
            $id = (array) $this->call('GET', '/conversations/'.$this->conversation('Lantern glass'));
            $this->send("Re: Lantern glass {$minute}", $minute, self::text(((array) ((array) $id['messages'])[0])['id'] ?? null));
            foreach ([1, 20, 40, 60] as $later) {
                $at = $minute + $later;
                $this->service(ProgramClock::class)->turnTo((new \DateTimeImmutable(self::BEGIN))->modify("+{$at} minutes"));
                $this->inStep();
            }
        };
        $answered(true, 10);
        self::assertCount(1, $this->lies(), 'The server is said to keep it.');
        $answered(false, 100);
        self::assertCount(2, $this->lies(), 'Only what was sent since is put there.');
        self::assertSame(0, $this->number("SELECT COUNT(*) FROM server_wish WHERE target <> 'stay'"));
    }

    /** @return list<string> */
    private function sorted(): array
    {
        $lies = $this->lies();
        sort($lies);

        return $lies;
    }

    private function send(string $subject, int $minute, ?string $message = null): void
    {
        $id = self::id();
        $this->service(ProgramClock::class)->turnTo((new \DateTimeImmutable(self::BEGIN))->modify("+{$minute} minutes"));
        $this->call('PUT', '/outgoing/'.$id, [
            'revision' => 0,
            'kind' => null === $message ? 'new' : 'reply',
            'message' => $message,
            'letter' => [
                'to' => 'tam@glass.example', 'cc' => '', 'bcc' => '', 'subject' => $subject, 'text' => 'The clear one.',
                'formatted' => false,
                'files' => [], 'carried' => [], 'what' => '', 'until' => '',
            ],
        ]);
        $this->call('POST', "/outgoing/{$id}/send", ['entry' => self::id()]);
        $this->service(ProgramClock::class)->turnTo((new \DateTimeImmutable(self::BEGIN))->modify('+'.($minute + 2).' minutes'));
        $this->service(Deliver::class)(static fn (): bool => false);
    }

    public function testMuchThatIsGoneAtOnceIsAskedAbout(): void
    {
        $this->connect();
        foreach (range(1, 30) as $number) {
            $this->there("Letter {$number}", "l{$number}@glass.example");
        }
        $this->inStep();
        $other = $this->other();
        $other->expunge('INBOX', $this->validity($other, 'INBOX'), range(1, 28));
        $this->inStep();
        self::assertCount(30, $this->rows('/tray'), 'Nothing is changed here.');
        self::assertSame([1], $this->column('SELECT paused FROM server_state'));
        self::assertStringContainsString('28 are gone at once', self::text($this->column('SELECT problem FROM server_state')[0]));
        // The person says "Go on".
        $this->inStep();
        self::assertCount(2, $this->rows('/tray'));
        self::assertSame(28, $this->number("SELECT COUNT(*) FROM conversation WHERE place = 'bin'"));
        self::assertSame([0], $this->column("SELECT settings ->> 'mayVanish' FROM server_state"));
        self::assertSame([0], $this->column('SELECT paused FROM server_state'));
    }

    public function testTheBinIsEmptiedThereByItsNumbersOnly(): void
    {
        $this->connect();
        $this->there('Lantern glass', 'one@glass.example');
        $this->inStep();
        $this->there('Not ours', 'bystander@glass.example', 'Trash');
        $this->decide('delete', [$this->conversation('Lantern glass')]);
        $this->inStep();
        self::assertSame(['Trash bystander', 'Trash one'], $this->lies());
        $this->call('DELETE', '/bin?id='.self::id());
        $this->inStep();
        self::assertSame(['Trash bystander'], $this->lies());
        self::assertSame(0, $this->number('SELECT COUNT(*) FROM server_copy WHERE erased'));
    }

    public function testAWrongPasswordIsTriedThreeTimesAndNoMore(): void
    {
        $this->connect();
        $this->wren->mailboxes()[0]->keepInStepWith(self::mailServer($this->user, $this->at)->with('wrong'), 'wren@ternpoint.example');
        $this->service(EntityManagerInterface::class)->flush();
        foreach (range(1, 5) as $time) {
            $this->service(Connection::class)->executeStatement('UPDATE server_state SET look_at = NULL');
            $this->service(KeepInStep::class)(static fn (): bool => false);
        }
        self::assertSame(3, $this->number('SELECT refusals FROM server_state'));
        self::assertSame(1, $this->number('SELECT paused FROM server_state'));
        self::assertStringContainsString('password', self::text($this->column('SELECT problem FROM server_state')[0]));
        // Who says "Go on" wants it tried again.
        $this->inStep();
        self::assertSame([1, 0], [$this->number('SELECT refusals FROM server_state'), $this->number('SELECT paused FROM server_state')]);
        self::assertStringContainsString('password', self::text($this->column('SELECT problem FROM server_state')[0]));
    }

    public function testALookWithNothingNewTakesFewRoundTrips(): void
    {
        $this->connect();
        $this->there('Lantern glass', 'one@glass.example');
        $this->inStep();
        $before = substr_count($this->said(), 'Login: user=');
        $debug = tempnam(sys_get_temp_dir(), 'imap');
        $connection = new ImapConnection(self::mailServer($this->user, $this->at), debug: (string) $debug);
        $connection->open();
        $box = $this->service(ServerBoxes::class)->of($this->wren, 0) ?? self::fail();
        $this->service(\ZippyTray\Server\Mailroom\InStep\Look::class)($box, $connection, static fn (): bool => false);
        $connection->close();
        self::assertLessThanOrEqual(4, preg_match_all('/^C: \d+ /m', (string) file_get_contents((string) $debug)));
        self::assertGreaterThanOrEqual($before, substr_count($this->said(), 'Login: user='));
    }

    /** @var array<string, Dovecot> */
    private static array $others = [];

    /** @param list<string> $without */
    private static function without(array $without): Dovecot
    {
        return self::$others[implode(' ', $without)] ??= self::serve($without);
    }

    public static function tearDownAfterClass(): void
    {
        foreach (self::$others as $dovecot) {
            self::endServing($dovecot);
        }
        self::$others = [];
        parent::tearDownAfterClass();
    }
}

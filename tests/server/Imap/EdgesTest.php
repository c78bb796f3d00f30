<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Imap;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use ZippyTray\Core\InStep\Security;
use ZippyTray\Demo\MailServer as Dovecot;
use ZippyTray\Server\Account\MailServer;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Mailroom\InStep\BoxSettings;
use ZippyTray\Server\Mailroom\InStep\BringInStep;
use ZippyTray\Server\Mailroom\InStep\ServerBoxes;

/**
 * Mailboxes at the edge of what there is: full ones, folders in which nothing can be changed, names in other scripts, messages that are too
 * large or no messages, very many of them, and servers that talk nonsense.
 */
final class EdgesTest extends MailboxTestCase
{
    private ?Dovecot $own = null;

    protected function tearDown(): void
    {
        parent::tearDown();
        null === $this->own || self::endServing($this->own);
        $this->own = null;
    }

    public function testAMailboxThatIsFullSaysSoAndNothingIsLost(): void
    {
        $this->own = self::serve(
            more: ['mail_plugins' => 'quota'],
            plugin: ['quota' => 'count:User', 'quota_rule' => '*:messages=2', 'quota_vsizes' => 'yes'],
        );
        $this->connect($this->own);
        $this->there('Lantern glass', 'one@glass.example');
        $this->inStep();
        $this->decide('archive', [$this->conversation('Lantern glass')]);
        $this->inStep();
        self::assertSame(['Archive one'], $this->lies());
        $this->there('Rota', 'two@glass.example');
        $this->inStep();
        // What was removed there for good and is brought back here would be put there anew.
        $this->move($this->other(), 'one', 'Archive', '');
        $this->there('Roof', 'three@glass.example');
        for ($look = 0; $look < 3; ++$look) {
            $this->inStep();
        }
        $this->decide('put_back', [$this->conversation('Lantern glass')]);
        for ($look = 0; $look < 4; ++$look) {
            $this->inStep();
            $this->later();
        }
        $mailbox = $this->mailbox($this->call('GET', '/mailboxes'));
        self::assertStringContainsString('full', json_encode($mailbox['troubles'], \JSON_THROW_ON_ERROR));
        // Once there is room again it is done.
        $this->move($this->other(), 'three', 'INBOX', '');
        for ($look = 0; $look < 3; ++$look) {
            $this->later();
            $this->inStep();
        }
        self::assertContains('INBOX one', $this->lies());
        self::assertSame([], $this->mailbox($this->call('GET', '/mailboxes'))['troubles']);
    }

    public function testAFolderInWhichNothingCanBeChangedIsSaid(): void
    {
        $this->own = self::serve(more: ['mail_plugins' => 'acl'], plugin: ['acl' => 'vfile']);
        $this->connect($this->own);
        $this->there('Lantern glass', 'one@glass.example');
        $this->there('Rota', 'two@glass.example');
        $this->inStep();
        // The person may look into it, and put nothing there.
        $folder = $this->own->folder.'/mail/'.$this->user;
        foreach (['.Archive'] as $name) {
            file_put_contents("{$folder}/{$name}/dovecot-acl", "owner lr\n");
        }
        $this->decide('archive', [$this->conversation('Lantern glass')]);
        for ($look = 0; $look < 4; ++$look) {
            $this->inStep();
            $this->later();
        }
        $troubles = (array) $this->mailbox($this->call('GET', '/mailboxes'))['troubles'];
        self::assertCount(1, $troubles);
        $trouble = (array) $troubles[0];
        self::assertSame(['Lantern glass', 'move', 'archive'], [$trouble['subject'], $trouble['what'], $trouble['to']]);
        self::assertStringContainsString('Choose another folder', self::text($trouble['problem']));
        // It is decided here, it lies where it lay there, and all else goes on.
        self::assertSame('archive', $this->place('Lantern glass'));
        self::assertContains('INBOX one', $this->lies());
        $this->decide('delete', [$this->conversation('Rota')]);
        $this->inStep();
        self::assertContains('Trash two', $this->lies());
        // Tried again at once, it is refused again; given up, it lies there as it lay, and what is decided later is done.
        $this->call('POST', '/mailboxes/looks', status: 204);
        $failures = $this->number('SELECT failures FROM server_wish');
        $this->inStep();
        self::assertSame($failures + 1, $this->number('SELECT failures FROM server_wish'));
        $this->call('DELETE', '/mailboxes/0/troubles/999', status: 404);
        $after = $this->call('DELETE', '/mailboxes/0/troubles/'.json_encode($trouble['id'], \JSON_THROW_ON_ERROR));
        self::assertSame([[], 0], [$this->mailbox($after)['troubles'], $this->mailbox($after)['waiting']]);
        $this->inStep();
        $this->inStep();
        self::assertSame(['INBOX one', 'archive', 0], [
            $this->lies()[0], $this->place('Lantern glass'), $this->number("SELECT COUNT(*) FROM server_wish WHERE target <> 'stay'"),
        ]);
        $this->decide('delete', [$this->conversation('Lantern glass')]);
        $this->inStep();
        self::assertSame(['Trash one', 'Trash two'], $this->lies());
    }

    public function testWhatCannotBeMarkedThereIsGivenUpAndNothingIsTakenForAChangeThere(): void
    {
        $this->connect();
        $this->there('Lantern glass', 'one@glass.example');
        $this->inStep();
        $this->call('PUT', '/conversations/'.$this->conversation('Lantern glass').'/read', status: 204);
        $this->service(BringInStep::class)($this->wren, static fn (): bool => false);
        // A server that may refuse marks alone is not to be had here.
        $this->service(Connection::class)->executeStatement("UPDATE server_wish SET failures = 3, problem = 'It would not.'");
        $trouble = (array) ((array) $this->mailbox($this->call('GET', '/mailboxes'))['troubles'])[0];
        self::assertSame(['seen', null], [$trouble['what'], $trouble['to']]);
        $this->call('DELETE', '/mailboxes/0/troubles/'.json_encode($trouble['id'], \JSON_THROW_ON_ERROR));
        $this->inStep();
        self::assertSame(
            [[], false, 0],
            [
                $this->mailbox($this->call('GET', '/mailboxes'))['troubles'], $this->rows('/tray')[0]['unread'] ?? null,
                $this->number('SELECT COUNT(*) FROM server_wish'),
            ],
        );
        self::assertFalse($this->isSeen('one'));
    }

    public function testAFolderThatIsShutForAWhileTakesNothingWithIt(): void
    {
        $this->own = self::serve();
        $this->connect($this->own);
        $this->there('Lantern glass', 'one@glass.example', 'Archive');
        $this->there('Rota', 'two@glass.example');
        $this->there('Roof', 'three@glass.example');
        $this->inStep();
        $this->inStep();
        // Another program files one there, and in this moment the folder cannot be read any more.
        $this->move($this->other(), 'two', 'INBOX', 'Archive');
        $folder = "{$this->own->folder}/mail/{$this->user}/.Archive";
        $shut = static fn (bool $isShut): array => array_map(
            static fn (string $one): bool => chmod("{$folder}/{$one}", $isShut ? 0 : 0o777),
            array_diff(scandir($folder) ?: [], ['.', '..']),
        );
        $shut(true);
        // One that could stand for the same does not take its place.
        $this->other()->create('Archives');
        for ($look = 0; $look < 4; ++$look) {
            $this->inStep();
        }
        self::assertSame(['archive', 'tray', 'tray'], [$this->place('Lantern glass'), $this->place('Rota'), $this->place('Roof')]);
        self::assertStringContainsString('Archive', self::text($this->mailbox($this->call('GET', '/mailboxes'))['problem']));
        $shut(false);
        for ($look = 0; $look < 3; ++$look) {
            $this->inStep();
        }
        self::assertSame(['archive', 'archive', 'tray'], [$this->place('Lantern glass'), $this->place('Rota'), $this->place('Roof')]);
        self::assertSame('', $this->mailbox($this->call('GET', '/mailboxes'))['problem']);
        self::assertSame(['Archive one', 'INBOX three', 'Archive two'], $this->lies());
        self::assertSame(3, $this->number('SELECT COUNT(*) FROM server_copy'));
        self::assertSame(['Archive'], $this->column("SELECT name FROM server_folder WHERE role = 'archive'"));
    }

    /** @param list<string> $without */
    #[TestWith([[]])]
    #[TestWith([['NAMESPACE']])]
    public function testWhereAllFoldersLieBelowTheInboxThoseThatAreMadeLieThereToo(array $without): void
    {
        $this->own = self::serve($without, ['Sent \Sent'], prefix: 'INBOX.');
        $this->connect($this->own);
        $this->there('Lantern glass', 'one@glass.example');
        $this->there('Rota', 'two@glass.example');
        $this->inStep();
        $this->decide('archive', [$this->conversation('Lantern glass')]);
        $this->decide('snooze', [$this->conversation('Rota')], ['phrase' => 'in 3 days']);
        $this->inStep();
        self::assertSame(['INBOX.Archive one', 'INBOX.Away two'], $this->lies());
        $this->decide('bring_back', [$this->conversation('Lantern glass')]);
        $this->inStep();
        self::assertSame(['INBOX one', 'INBOX.Away two'], $this->lies());
    }

    public function testFoldersAreCalledAsTheyAreInAllScripts(): void
    {
        $this->connect();
        $names = ['Entwürfe & Pläne', 'アーカイブ候補', 'Ships/Fähre', '&', 'a "quoted" one', '100 %*'];
        foreach ($names as $at => $name) {
            $this->other()->create($name);
            $this->other()->append($name, self::letter("In {$at}", "in-{$at}@glass.example"), [], new \DateTimeImmutable('2026-11-20'));
        }
        $this->inStep();
        $there = array_column((array) $this->mailbox($this->call('GET', '/mailboxes'))['folders'], 'name');
        foreach ($names as $name) {
            self::assertContains($name, $there);
        }
        $this->call('PUT', '/mailboxes', ['folders' => array_map(
            static fn (string $name): array => ['name' => $name, 'role' => 'アーカイブ候補' === $name ? 'archive' : 'other', 'takenIn' => true],
            $names,
        )] + $this->fields());
        $this->there('Rota', 'two@glass.example');
        $this->inStep();
        $this->inStep();
        self::assertSame(\count($names), $this->number("SELECT COUNT(*) FROM message WHERE subject LIKE 'In %'"));
        $this->decide('archive', [$this->conversation('Rota')]);
        $this->inStep();
        self::assertContains('アーカイブ候補 two', $this->lies());
    }

    public function testAMessageThatIsTooLargeIsLeftThereAndSaidAndALargeOneComesIn(): void
    {
        $this->connect();
        $line = str_repeat('0123456789', 7)."\r\n";
        foreach (['large' => 50, 'too-large' => 101] as $id => $megabytes) {
            $body = str_repeat($line, intdiv($megabytes * 1024 * 1024, \strlen($line)));
            $this->other()->append('INBOX', self::letter($id, $id.'@glass.example', $body), [], new \DateTimeImmutable('2026-11-20'));
        }
        $this->there('Rota', 'two@glass.example');
        memory_reset_peak_usage();
        $before = memory_get_usage();
        $this->inStep();
        self::assertLessThan(600_000_000, memory_get_peak_usage() - $before);
        self::assertEqualsCanonicalizing(['large', 'Rota'], array_column($this->rows('/tray'), 'subject'));
        self::assertSame(1, $this->mailbox($this->call('GET', '/mailboxes'))['left']);
        self::assertStringContainsString(
            'It is larger than 100 MB.',
            json_encode($this->call('GET', '/mail-ways')['leftOut'], \JSON_THROW_ON_ERROR),
        );
        // It is not asked for again and again.
        $this->inStep();
        self::assertSame(2, $this->number('SELECT COUNT(*) FROM message'));
    }

    public function testWhatIsNoMessageIsLeftThereAndTheRestComesIn(): void
    {
        $this->connect();
        foreach ([
            "\0\0\0\1\2\3",
            'no header at all',
            str_repeat("a\r\n", 2000),
            "From: x\r\n".str_repeat("X-A: b\r\n", 20_000)."\r\n",
        ] as $raw) {
            $this->other()->append('INBOX', str_replace("\0", '?', $raw), [], new \DateTimeImmutable('2026-11-20'));
        }
        $this->there('Rota', 'two@glass.example');
        $this->inStep();
        self::assertContains('Rota', array_column($this->rows('/tray'), 'subject'));
        $mailbox = $this->mailbox($this->call('GET', '/mailboxes'));
        self::assertSame([5, 0], [(int) self::json($mailbox['here']) + (int) self::json($mailbox['left']), $mailbox['wanted']]);
        self::assertSame('', $mailbox['problem']);
    }

    /** @return iterable<string, array{string}> what a server says to everything */
    public static function nonsense(): iterable
    {
        yield 'nothing' => [''];
        yield 'no greeting of this protocol' => ["SSH-2.0-server\r\n"];
        yield 'bytes' => ["\xff\xfe\0\x01\r\n\r\n"];
        yield 'a literal without an end' => ["* OK ready\r\n* LIST () \"/\" {999999999}\r\nab"];
        yield 'a goodbye' => ["* BYE go away\r\n"];
        yield 'brackets' => ["* OK [CAPABILITY IMAP4rev1 ((((((\r\n* LIST ((((((((\r\n"];
        yield 'answers to what was not asked' => [
            "* OK hello\r\nZ9 OK done\r\n* 99999999999999999999 EXISTS\r\n* 1 FETCH (UID NaN FLAGS)\r\n",
        ];
    }

    #[DataProvider('nonsense')]
    public function testAServerThatTalksNonsenseIsSaidAndNothingHappens(string $says): void
    {
        $server = new \Symfony\Component\Process\Process(['php', '-r', <<<'PHP'
            $server = stream_socket_server('tcp://127.0.0.1:0');
            echo explode(':', stream_socket_get_name($server, false))[1], "\n";
            for ($time = 0; $time < 4 && false !== $client = @stream_socket_accept($server, 20); ++$time) {
                @fwrite($client, stream_get_contents(STDIN) ?: ($said ?? ''));
                $said ??= '';
                usleep(200_000);
                fclose($client);
            }
            PHP, ]);
        $server->setInput($says);
        $server->start();
        $server->waitUntil(static fn (string $type, string $output): bool => '' !== trim($output));
        $this->wren = $this->signIn();
        $this->wren->addMailbox(MailWays::none())->keepInStepWith(
            new MailServer(['127.0.0.1', (int) $server->getOutput(), Security::Plain], ['', 0, Security::Tls], 'wren', 'secret'),
            'wren@ternpoint.example',
        );
        $this->service(EntityManagerInterface::class)->flush();
        $this->service(ServerBoxes::class)->begin($this->wren, 0, new BoxSettings());
        memory_reset_peak_usage();
        $this->inStep();
        $server->stop(0);
        self::assertLessThan(256_000_000, memory_get_peak_usage());
        $mailbox = $this->mailbox($this->call('GET', '/mailboxes'));
        self::assertNotSame('', $mailbox['problem']);
        self::assertSame([false, null], [$mailbox['paused'], $mailbox['lookedAt']]);
    }

    /** Ten thousand of them; with ZIPPY_MANY=100000 as many as that. */
    public function testVeryManyMessagesInOneFolder(): void
    {
        $many = (int) (getenv('ZIPPY_MANY') ?: 10_000);
        $this->connect();
        $this->there('Lantern glass', 'one@glass.example');
        // They lie there as another program would have left them.
        $folder = $this->at->folder.'/mail/'.$this->user;
        $letter = str_replace('tam@glass.example', 'news@glass.example', self::letter('News', 'ID@glass.example', 'News.'));
        $this->other()->create('Many');
        for ($number = 0; $number < $many; ++$number) {
            file_put_contents("{$folder}/.Many/cur/1700000000.{$number}.here:2,S", str_replace('ID@', "n{$number}@", $letter));
        }
        $owner = (string) fileowner($folder);
        exec('chown -R '.escapeshellarg($owner).' '.escapeshellarg($folder.'/.Many').' 2>/dev/null');
        $this->inStep();
        // Nothing of it is wanted, so it is not even listed.
        self::assertSame(1, $this->number('SELECT COUNT(*) FROM server_copy'));
        $this->call('PUT', '/mailboxes', ['folders' => [['name' => 'Many', 'role' => 'other', 'takenIn' => true]]] + $this->fields());
        $this->there('Rota', 'two@glass.example');
        memory_reset_peak_usage();
        $before = memory_get_usage();
        $this->inStep();
        self::assertLessThan(200_000_000, memory_get_peak_usage() - $before);
        $mailbox = $this->mailbox($this->call('GET', '/mailboxes'));
        self::assertSame($many + 2, (int) self::json($mailbox['here']) + (int) self::json($mailbox['wanted']));
        // What is new came in before all of these, and a round ends while there is more.
        self::assertContains('Rota', array_column($this->rows('/tray'), 'subject'));
        self::assertGreaterThan(0, $mailbox['wanted']);
    }

    private static function json(mixed $value): string
    {
        return json_encode($value, \JSON_THROW_ON_ERROR);
    }
}

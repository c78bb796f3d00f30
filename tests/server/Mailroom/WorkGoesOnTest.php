<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Mailroom;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\Filesystem\Filesystem;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\KeepDrafts;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Post\SendMail;
use ZippyTray\Core\Settings\Profile;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Console\WorkCommand;
use ZippyTray\Server\DataFolder;
use ZippyTray\Server\Store\Attempts;
use ZippyTray\Server\Store\Files;
use ZippyTray\Tests\Server\ApiTestCase;
use ZippyTray\Tests\Server\Hostile\Corpus;

/**
 * Whatever is wrong with one message, the worker goes on with the others.
 */
final class WorkGoesOnTest extends ApiTestCase
{
    private Account $account;

    protected function setUp(): void
    {
        parent::setUp();
        $this->account = $this->signIn();
        $this->account->connect(MailWays::postRoom());
        $this->service(EntityManagerInterface::class)->flush();
    }

    /** @return iterable<int, array{string}> */
    public static function identifiers(): iterable
    {
        foreach (Corpus::oddIdentifiers() as $identifier) {
            yield [$identifier];
        }
    }

    #[DataProvider('identifiers')]
    public function testALetterWithAnOddIdentifierIsAnswered(string $identifier): void
    {
        $this->upload(
            ['odd.eml' => "From: tam@glass.example\r\nTo: wren@ternpoint.example\r\nSubject: Odd\r\nMessage-ID: <{$identifier}>\r\n"
                ."References: <{$identifier}> <fine@x.example>\r\n\r\nYes?\r\n"],
        );
        $id = $this->rows('/tray')[0]['id'];
        self::assertIsString($id);
        $this->queue('Re: Odd', (array) $this->call('GET', '/conversations/'.$id)['messages']);
        $this->queue('Another');
        $this->work();
        self::assertSame(['sent' => 2], $this->states());
        foreach (glob(DataFolder::path().'/post-room/sent/new/*') ?: [] as $file) {
            self::assertSame(
                0,
                preg_match(
                    '/^[^\r\n]{999,}|^[ \t]*\r\n.*^Subject|[\x80-\xff]/m',
                    explode("\r\n\r\n", (string) file_get_contents($file))[0],
                ),
            );
        }
    }

    public function testWhatCannotBePutTogetherIsSaidAndTheRestGoesOut(): void
    {
        $file = $this->service(Files::class)->take($this->account->id, 'plan.txt', 'text/plain', 'Plan')['id'];
        $this->queue('With a file', files: [$file]);
        $this->queue('Another');
        $connection = $this->service(Connection::class);
        $connection->executeStatement('DELETE FROM file_content');
        $this->work();
        self::assertSame(['failed' => 1, 'sent' => 1], $this->states());
        $problem = $connection->fetchOne("SELECT problem FROM outgoing WHERE state = 'failed'");
        self::assertIsString($problem);
        self::assertStringContainsString('could not put it together', $problem);
        $this->work();
        self::assertSame(['failed' => 1, 'sent' => 1], $this->states(), 'It is not tried again.');
    }

    public function testALockedDatabaseIsWaitedForAndTheMessageGoesOutLater(): void
    {
        $this->queue('Waits');
        $connection = $this->service(Connection::class);
        $connection->executeStatement('PRAGMA busy_timeout=50');
        $other = new \PDO('sqlite:'.DataFolder::path().'/zippy-tray.sqlite', options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
        $other->exec('BEGIN IMMEDIATE');
        self::assertStringContainsString('Failed, see the log', $this->work());
        $other->exec('ROLLBACK');
        self::assertSame(['waiting' => 1], $this->states());
        self::assertStringNotContainsString('Failed', $this->work());
        self::assertSame(['sent' => 1], $this->states());
    }

    public function testWhatEndedTheWorkerTwiceIsLeftAndSaid(): void
    {
        $this->queue('Too much');
        $this->queue('Another');
        $connection = $this->service(Connection::class);
        $id = $connection->fetchOne("SELECT id FROM outgoing WHERE letter ->> 'subject' = 'Too much'");
        self::assertIsString($id);
        $connection->insert('attempt', ['what' => 'send '.$id, 'times' => 2]);
        $this->work();
        self::assertSame(['failed' => 1, 'sent' => 1], $this->states());
        self::assertSame(0, $connection->fetchOne('SELECT COUNT(*) FROM attempt'));
    }

    public function testAProcessThatRanOutOfMemoryNotesWhatItWasAt(): void
    {
        $code = '$_SERVER["ZIPPY_DATA"] = getenv("ZIPPY_DATA"); require "vendor/autoload.php";
            $kernel = new ZippyTray\Server\Kernel("test", false); $kernel->boot();
            $attempts = $kernel->getContainer()->get("test.service_container")->get(ZippyTray\Server\Store\Attempts::class);
            $attempts->begin("done"); $attempts->end(); $attempts->begin("greedy");
            $all = []; while (true) { $all[] = str_repeat("x", 100000); }';
        $process = proc_open(
            [\PHP_BINARY, '-d', 'memory_limit=64M', '-r', $code],
            [1 => ['pipe', 'w'], 2 => ['pipe', 'w']],
            $pipes,
            \dirname(__DIR__, 3),
            ['ZIPPY_DATA' => DataFolder::path()] + getenv(),
        );
        self::assertIsResource($process);
        $output = stream_get_contents($pipes[1]).stream_get_contents($pipes[2]);
        self::assertSame(255, proc_close($process), $output);
        self::assertSame(['greedy' => 1], $this->service(Connection::class)->fetchAllKeyValue('SELECT what, times FROM attempt'), $output);
        self::assertTrue($this->service(Attempts::class)->begin('greedy'));
        $this->service(Attempts::class)->end();
    }

    public function testOnlyPlainFilesOfABearableSizeAreTakenFromAMaildir(): void
    {
        $folder = sys_get_temp_dir().'/zippy-tray-odd-maildir-'.getmypid();
        $files = new Filesystem();
        $files->mkdir([$folder.'/new', $folder.'/cur', $folder.'/tmp']);
        $good = "From: tam@glass.example\r\nTo: wren@ternpoint.example\r\nSubject: Good\r\n\r\nHere.\r\n";
        file_put_contents($folder.'/outside.eml', str_replace('Good', 'Outside', $good));
        symlink($folder.'/outside.eml', $folder.'/new/1.link');
        posix_mkfifo($folder.'/new/2.fifo', 0o600);
        mkdir($folder.'/new/3.folder');
        $large = fopen($folder.'/new/4.large', 'w');
        self::assertIsResource($large);
        ftruncate($large, 900 * 1024 * 1024);
        fclose($large);
        file_put_contents($folder.'/new/5.empty', '');
        file_put_contents($folder.'/new/6.good', $good);
        $this->account->connect(MailWays::chosen('post_room', '', 'maildir', $folder));
        $this->service(EntityManagerInterface::class)->flush();
        try {
            self::assertStringNotContainsString('Failed', $this->work());
        } finally {
            $files->remove($folder);
        }
        self::assertSame(['Good'], array_column($this->rows('/tray'), 'subject'));
        $left = (array) $this->call('GET', '/mail-ways')['leftOut'];
        self::assertSame(['1.link', '2.fifo', '3.folder', '4.large', '5.empty'], self::sorted(array_column($left, 'name')));
        self::assertContains('It is larger than 100 MB.', array_column($left, 'problem'));
        self::assertSame(5, $this->counts()['leftOut']);
        $this->call('DELETE', '/mail-ways/left-out', null, 204);
        self::assertSame(0, $this->counts()['leftOut']);
    }

    public function testEachMailboxIsFetchedWhateverHappensToAnother(): void
    {
        $files = new Filesystem();
        $folder = DataFolder::path().'/mailboxes';
        foreach (['one', 'two'] as $name) {
            $files->mkdir(["{$folder}/{$name}/new", "{$folder}/{$name}/cur", "{$folder}/{$name}/tmp"]);
            file_put_contents("{$folder}/{$name}/new/1", "From: tam@glass.example\r\nSubject: From {$name}\r\n\r\nHere.\r\n");
        }
        $this->account->connect(MailWays::chosen('post_room', '', 'maildir', $folder.'/not there'));
        $this->account->addMailbox(MailWays::chosen('none', '', 'maildir', $folder.'/one'));
        $this->account->addMailbox(MailWays::chosen('none', '', 'maildir', $folder.'/two'));
        $this->service(EntityManagerInterface::class)->flush();
        try {
            $this->work();
            file_put_contents($folder.'/one/new/2', "From: tam@glass.example\r\nSubject: One more\r\n\r\nHere.\r\n");
            $this->work();
        } finally {
            $files->remove($folder);
        }
        self::assertSame(['From one', 'From two', 'One more'], self::sorted(array_column($this->rows('/tray'), 'subject')));
    }

    public function testThePageIsToldWhetherAnybodyWorks(): void
    {
        self::assertFalse($this->call('GET', '/heartbeat')['worker']);
        $this->work();
        $response = $this->fetch('/heartbeat');
        self::assertStringContainsString('"worker":true', (string) $response->getContent());
        $this->service(Connection::class)->executeStatement("UPDATE worker_seen SET seen_at = '2026-01-01T00:00:00Z'");
        $this->browser->request('GET', '/api/heartbeat', server: ['HTTP_IF_NONE_MATCH' => (string) $response->headers->get('ETag')]);
        self::assertSame(200, $this->browser->getResponse()->getStatusCode(), 'That is news.');
    }

    public function testAfterAFailureTheNextTransactionBegins(): void
    {
        $transaction = $this->service(Transaction::class);
        $orm = $this->service(EntityManagerInterface::class);
        try {
            $transaction->run(function () use ($orm): void {
                // A flush that fails ends the object mapper's work.
                $orm->persist(new Account(
                    $this->account->id,
                    'other@ternpoint.example',
                    new Profile('Other', 'Europe/Dublin'),
                    new \DateTimeImmutable(),
                ));
            });
            self::fail('Two accounts have one id.');
        } catch (\Throwable $problem) {
            self::assertStringContainsStringIgnoringCase('unique', $problem->getMessage());
        }
        $again = $orm->find(Account::class, $this->account->id);
        self::assertNotNull($again);
        $transaction->run(static fn () => $again->profile->settle('Wren H.', 'Europe/Dublin'));
        $orm->clear();
        self::assertSame('Wren H.', $orm->find(Account::class, $this->account->id)?->profile->name());
    }

    public function testTheFirstCauseIsToldWhenTheTransactionIsGone(): void
    {
        $this->expectExceptionMessage('The first cause.');
        $this->service(Transaction::class)->run(function (): void {
            // As SQLite does by itself when the disk is full.
            $this->service(Connection::class)->executeStatement('ROLLBACK');
            throw new \RuntimeException('The first cause.');
        });
    }

    /**
     * @param array<mixed> $of    messages, of which the first is answered
     * @param list<string> $files
     */
    private function queue(string $subject, array $of = [], array $files = []): void
    {
        $message = ((array) ($of[0] ?? []))['id'] ?? null;
        $id = \is_string($message) ? $this->service(Messages::class)->get($this->account->id, new EmailId($message))->id : null;
        $draft = $this->service(KeepDrafts::class)->write(
            $this->account->id,
            new OutgoingId(self::id()),
            0,
            null === $id ? AnswerKind::New : AnswerKind::Reply,
            $id,
            self::id().'@ternpoint.example',
            new Letter([new Address('tam@glass.example')], subject: $subject, text: 'Yes.', files: $files),
        );
        ($this->service(SendMail::class))(
            $this->account->id,
            new EntryId(self::id()),
            $draft->id,
            new Moment($this->service(ProgramClock::class)->now(), $this->account->timeZone()),
            false,
        );
    }

    private function work(): string
    {
        $tester = new CommandTester($this->service(WorkCommand::class));
        $tester->execute(['--once' => true]);
        self::assertSame(0, $tester->getStatusCode());

        return $tester->getDisplay();
    }

    /** @return array<mixed> state => how many */
    private function states(): array
    {
        return $this->service(Connection::class)->fetchAllKeyValue('SELECT state, COUNT(*) FROM outgoing GROUP BY state ORDER BY state');
    }

    /**
     * @param array<mixed> $list
     *
     * @return list<mixed>
     */
    private static function sorted(array $list): array
    {
        sort($list);

        return $list;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Store;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use ZippyTray\Tests\Server\RealServer;

/**
 * What goes wrong with the database is said, each in its own sentence, in the page and to who calls a command; and the
 * way back from a backup is open.
 */
final class TroubleTest extends TestCase
{
    private const PERSON = [
        'name' => 'Wren Halloran',
        'email' => 'wren@ternpoint.example',
        'password' => 'seven grey gulls',
        'zone' => 'Europe/Dublin',
    ];

    private RealServer $server;

    private string $file;

    /** @var array<string, string> */
    private array $headers = [];

    protected function setUp(): void
    {
        $this->server = new RealServer(sys_get_temp_dir().'/zippy-tray-trouble-'.getmypid());
        $this->file = $this->server->folder.'/data/zippy-tray.sqlite';
        $this->server->console('data:prepare');
        $word = trim((string) strrchr($this->server->console('account:first-word'), ':'), ": \n");
        $this->server->start();
        $this->server->call('POST', '/api/accounts', self::PERSON + ['word' => $word]);
        $this->headers = ['Cookie' => $this->server->signIn(self::PERSON['email'], self::PERSON['password'])];
        $this->jot('The first task');
    }

    protected function tearDown(): void
    {
        $this->server->end();
    }

    public function testWhatIsWholeIsTakenForWhole(): void
    {
        self::assertSame('', $this->server->console('data:prepare'));
        self::assertStringNotContainsString('damaged', $this->server->console('data:check'));
    }

    /** @return iterable<string, array{string, string, bool}> what is done, a part of the sentence, whether reading goes on */
    public static function troubles(): iterable
    {
        yield 'locked' => ['locked', 'in use by something that does not let go', true];
        yield 'full' => ['full', 'The disk is full', true];
        yield 'cut off' => ['truncated', 'is cut off', false];
        yield 'damaged' => ['damaged', 'damaged', false];
        yield 'something else' => ['other', 'holds something else', false];
        yield 'empty' => ['empty', 'now it is empty or gone', false];
        yield 'gone' => ['gone', 'now it is empty or gone', false];
    }

    #[DataProvider('troubles')]
    public function testEachTroubleHasItsSentenceAndABackupHelps(string $trouble, string $sentence, bool $canRead): void
    {
        $backup = $this->server->folder.'/backup.sqlite';
        self::assertStringContainsString('It is written and whole', $this->server->console('data:backup', $backup));
        $this->jot('The second task');
        $holder = null;
        if ('locked' === $trouble) {
            $holder = new \PDO('sqlite:'.$this->file, options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
            $holder->exec('BEGIN IMMEDIATE');
        } elseif ('full' === $trouble) {
            // On a full disk the log cannot be written either.
            (new Filesystem())->remove($this->server->folder.'/data/log');
            touch($this->server->folder.'/data/log');
            (new \PDO('sqlite:'.$this->file))->exec(
                "CREATE TRIGGER full BEFORE INSERT ON journal_entry BEGIN SELECT RAISE(FAIL, 'database or disk is full'); END",
            );
        } else {
            $this->server->kill();
            (new \PDO('sqlite:'.$this->file))->exec('PRAGMA wal_checkpoint(TRUNCATE)');
            $bytes = (string) file_get_contents($this->file);
            foreach (['-wal', '-shm'] as $ending) {
                @unlink($this->file.$ending);
            }
            match ($trouble) {
                'truncated' => file_put_contents($this->file, substr($bytes, 0, 60_000)),
                'damaged' => file_put_contents($this->file, substr($bytes, 0, 4096).random_bytes(max(1, \strlen($bytes) - 4096))),
                'other' => file_put_contents($this->file, str_repeat("This is a letter.\n", 500)),
                'empty' => file_put_contents($this->file, ''),
                default => unlink($this->file),
            };
            $this->server->start();
        }
        $answer = $this->jot('The third task');
        self::assertSame(503, $answer['status'], $answer['body']);
        self::assertStringContainsString($sentence, str_replace('\/', '/', $answer['body']));
        $read = $this->server->call('GET', '/api/tasks', headers: $this->headers)['status'];
        self::assertSame($canRead ? 200 : 503, $read);
        if ('locked' === $trouble) {
            $holder?->exec('ROLLBACK');
            self::assertSame(201, $this->jot('The third task')['status']);

            return;
        }
        if ('full' === $trouble) {
            return;
        }
        $said = (string) preg_replace('/\s+/', ' ', $this->server->console('data:prepare'));
        self::assertStringContainsString($sentence, $said);
        self::assertStringContainsString('./zippy restore FILE', $said);
        $this->server->kill();

        $said = $this->server->console('data:restore', $backup);
        self::assertStringContainsString('It is restored.', $said);
        self::assertSame('gone' === $trouble ? 0 : 1, preg_match('~lies in (\S+)\.~', $said, $m), $said);
        $this->server->start();
        self::assertSame(['The first task'], $this->titles());
        self::assertStringContainsString('The books balance.', $this->server->console('data:check'));
    }

    public function testABackupIsNotPlayedOverByAnOldLogAndOneThatIsNoneIsRefused(): void
    {
        $backup = $this->server->folder.'/backup.sqlite';
        $this->server->console('data:backup', $backup);
        self::assertStringContainsString('already', $this->server->console('data:backup', $backup));
        self::assertStringContainsString('written', $this->server->console('data:backup', $backup, '--replace'));
        self::assertSame(0o600, (int) fileperms($backup) & 0o777);
        // A reader keeps the log from being written back; then everything is killed.
        $reader = new \PDO('sqlite:'.$this->file, options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
        $reader->exec('BEGIN');
        $reader->query('SELECT COUNT(*) FROM task') ?: self::fail();
        $this->jot('Only in the log');
        $this->server->kill();
        self::assertGreaterThan(0, filesize($this->file.'-wal'));
        $before = hash_file('sha256', $this->file);

        foreach ([
            'nothing' => '',
            'a letter' => str_repeat('x', 5000),
            'half of it' => substr((string) file_get_contents($backup), 0, 50_000),
        ] as $what => $bytes) {
            file_put_contents($this->server->folder.'/no-backup', $bytes);
            self::assertStringContainsString(
                'Nothing was changed',
                $this->server->console('data:restore', $this->server->folder.'/no-backup'),
                $what,
            );
        }
        $foreign = $this->server->folder.'/foreign.sqlite';
        (new \PDO('sqlite:'.$foreign))->exec('CREATE TABLE account (id)');
        self::assertStringContainsString('no backup of Zippy Tray', $this->server->console('data:restore', $foreign));
        self::assertSame($before, hash_file('sha256', $this->file));

        $worker = $this->server->spawn('data:work');
        stream_set_timeout($worker['pipe'], 20);
        while (!str_contains((string) fgets($worker['pipe']), 'tidy-database') && !feof($worker['pipe'])) {
        }
        self::assertStringContainsString('The program runs', $this->server->console('data:restore', $backup));
        proc_terminate($worker['process'], \SIGKILL);
        proc_close($worker['process']);

        self::assertSame(1, preg_match('~lies in (\S+)\.~', $this->server->console('data:restore', $backup), $m));
        $this->server->start();
        self::assertSame(['The first task'], $this->titles(), 'As it was, without what the log of the old one holds.');
        $aside = (new \PDO('sqlite:'.$m[1].'/zippy-tray.sqlite'))->query('SELECT title FROM task') ?: self::fail();
        self::assertCount(2, $aside->fetchAll(), 'The old one is whole.');
    }

    /** @return array{status: int, headers: string, body: string} */
    private function jot(string $title): array
    {
        $id = static fn (): string => vsprintf('%s%s-%s-4%.3s-8%.3s-%s%s%s', str_split(bin2hex(random_bytes(16)), 4));

        return $this->server->call(
            'POST',
            '/api/tasks',
            ['entry' => $id(), 'tasks' => [['id' => $id(), 'fields' => ['title' => $title]]]],
            $this->headers,
        );
    }

    /** @return list<mixed> */
    private function titles(): array
    {
        /** @var array{tasks: list<array<string, mixed>>} $part */
        $part = json_decode($this->server->call('GET', '/api/tasks', headers: $this->headers)['body'], true, 16, \JSON_THROW_ON_ERROR);

        return array_column($part['tasks'], 'title');
    }
}

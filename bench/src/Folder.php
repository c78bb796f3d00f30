<?php

declare(strict_types=1);

namespace ZippyTray\Bench;

use Symfony\Component\Uid\Uuid;
use ZippyTray\Tests\Server\InstalledServer;
use ZippyTray\Tests\Server\RealServer;

/**
 * A data folder with a made-up mailbox of a size, kept and used again.
 *
 * @phpstan-type Import array{seconds: float, cpu: float, memory: int, bytes: int}
 */
final class Folder
{
    /** Changes when what is put into a folder does. */
    private const STAMP = '3';

    private const PASSWORD = 'a bench of larch wood';

    /** Messages of mail that is undecided, in each folder. */
    private const TRAY = 400;

    /** Of one with many of everything. */
    private const SNOOZED = 2000;

    private const UNDECIDED = 20_000;

    private const TASKS = 5000;

    private const ENTRIES = 50_000;

    public readonly RealServer $server;

    public readonly RealServer $bare;

    private readonly ?InstalledServer $installed;

    private string $cookie = '';

    /**
     * @param bool $many        with 5,000 tasks, 2,000 that are snoozed, 50,000 entries in the journal and 20,000 undecided
     * @param bool $isInstalled behind nginx and php-fpm, as on a server; otherwise as ./zippy serve runs it
     */
    public function __construct(
        public readonly string $path,
        public readonly int $messages,
        private readonly bool $small,
        public readonly bool $many,
        int $workers,
        bool $isInstalled,
    ) {
        $this->installed = $isInstalled ? new InstalledServer($path, RealServer::freePort(), $workers) : null;
        $this->server = new RealServer($path, ['ZIPPY_TIMING' => '1', 'ZIPPY_STRICT' => '0'], $workers, $this->installed->port ?? 0);
        $this->bare = new RealServer($path, [], $workers, script: 'bench/bare.php');
    }

    public function label(): string
    {
        return $this->many ? 'many' : number_format($this->messages);
    }

    /**
     * Makes what is missing, and starts both servers.
     *
     * @param callable(string): void $say
     */
    public function open(callable $say): void
    {
        $stamp = $this->path.'/filled';
        $is = self::STAMP.($this->small ? ' small' : '');
        if (!is_file($stamp) || file_get_contents($stamp) !== $is) {
            exec('rm -rf '.escapeshellarg($this->path));
            mkdir($this->path, 0700, true);
            $this->begin();
            $say("Filling {$this->path}");
            $into = ['archive' => new Mailbox($this->messages, $this->small), 'tray' => new Mailbox(self::TRAY, $this->small, seed: 7)];
            foreach ($into as $place => $mailbox) {
                $report = $this->import($mailbox, $place);
                file_put_contents("{$this->path}/import-{$place}.json", json_encode($report, \JSON_THROW_ON_ERROR));
            }
            if ($this->many) {
                $this->fill($say);
            }
            $this->console('data:work', '--once');
            file_put_contents($stamp, $is);
        } else {
            $this->begin();
            // What rules of before have read in the tray is read anew, as the worker would that does not run here.
            $this->ask('GET', '/tray');
            $this->console('data:work', '--once');
        }
        $this->bare->start();
    }

    public function close(): void
    {
        $this->installed?->end();
        $this->server->kill();
        $this->bare->kill();
    }

    /**
     * How the import went that filled it.
     *
     * @param 'archive'|'tray' $place
     *
     * @return Import
     */
    public function imported(string $place): array
    {
        /** @var Import $report */
        $report = json_decode((string) file_get_contents("{$this->path}/import-{$place}.json"), true, flags: \JSON_THROW_ON_ERROR);

        return $report;
    }

    /**
     * @param array<string, mixed>|null $body
     *
     * @return array{status: int, headers: string, body: string}
     */
    public function ask(string $method, string $path, ?array $body = null): array
    {
        $answer = $this->server->call($method, '/api'.$path, $body, ['Cookie' => $this->cookie, 'Accept-Encoding' => 'gzip']);
        if ($answer['status'] >= 400 || 0 === $answer['status']) {
            throw new \RuntimeException("{$method} {$path}: {$answer['status']} ".substr($answer['body'], 0, 400));
        }

        return $answer;
    }

    /**
     * @param array<string, mixed>|null $body
     *
     * @return array<mixed>
     */
    public function json(string $method, string $path, ?array $body = null): array
    {
        $answer = $this->ask($method, $path, $body);
        $text = 1 === preg_match('/^Content-Encoding: gzip/mi', $answer['headers']) ? (string) gzdecode($answer['body']) : $answer['body'];

        return (array) json_decode($text, true, flags: \JSON_THROW_ON_ERROR);
    }

    public function database(): \PDO
    {
        return new \PDO(
            'sqlite:'.$this->path.'/data/zippy-tray.sqlite',
            options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION, \PDO::ATTR_TIMEOUT => 60],
        );
    }

    /** @return array{email: string, password: string} */
    public static function access(): array
    {
        return ['email' => Mailbox::OWN, 'password' => self::PASSWORD];
    }

    public function console(string ...$arguments): string
    {
        return $this->server->console(...$arguments);
    }

    public static function id(): string
    {
        return Uuid::v4()->toRfc4122();
    }

    private function begin(): void
    {
        $this->console('data:prepare');
        null === $this->installed ? $this->server->start() : $this->installed->start();
        if (!is_file($this->path.'/account')) {
            preg_match('/word: (\S+)/', $this->console('account:first-word'), $word);
            $answer = $this->server->call(
                'POST',
                '/api/accounts',
                self::access() + ['name' => 'Wren Halloran', 'zone' => 'Europe/Dublin', 'word' => $word[1] ?? ''],
            );
            201 === $answer['status'] || 200 === $answer['status'] || throw new \RuntimeException('No account: '.$answer['body']);
            touch($this->path.'/account');
        }
        $this->cookie = $this->server->signIn(Mailbox::OWN, self::PASSWORD);
    }

    /** @return Import */
    private function import(Mailbox $mailbox, string $place): array
    {
        $file = $this->path.'/mail.mbox';
        $mbox = fopen($file, 'w') ?: throw new \RuntimeException("{$file} cannot be written.");
        foreach ($mailbox->messages() as $raw) {
            fwrite($mbox, "From - Mon Jan  7 08:00:00 2019\n".preg_replace('/^(>*From )/m', '>$1', str_replace("\r\n", "\n", $raw))."\n");
        }
        fclose($mbox);
        $before = Spent::byChildren();
        $began = microtime(true);
        $process = $this->server->spawn('mail:import', $file, '--into', $place, '--account', Mailbox::OWN);
        $memory = 0;
        $pid = proc_get_status($process['process'])['pid'];
        stream_set_blocking($process['pipe'], false);
        $said = '';
        while (!feof($process['pipe'])) {
            $said .= fread($process['pipe'], 8192);
            $memory = max(
                $memory,
                1 === preg_match('/VmHWM:\s+(\d+)/', (string) @file_get_contents("/proc/{$pid}/status"), $m) ? 1024 * (int) $m[1] : 0,
            );
            usleep(20_000);
        }
        proc_close($process['process']);
        str_contains($said, '"refused":[]') || throw new \RuntimeException('The import: '.substr($said, -600));
        unlink($file);

        return [
            'seconds' => microtime(true) - $began,
            'cpu' => (Spent::byChildren() - $before) / 1000,
            'memory' => $memory,
            'bytes' => (int) filesize($this->path.'/data/zippy-tray.sqlite'),
        ];
    }

    /** @param callable(string): void $say */
    private function fill(callable $say): void
    {
        $say('  5,000 tasks');
        for ($made = 0; $made < self::TASKS; $made += 500) {
            $tasks = [];
            for ($number = $made; $number < $made + 500; ++$number) {
                $day = gmdate('Y-m-d', time() + 86_400 * ($number % 120 - 10));
                $tasks[] = [
                    'id' => self::id(),
                    'fields' => [
                        'title' => "Paint rail {$number}",
                        'list' => 'List '.$number % 25,
                        'estimate' => 5 + $number % 55,
                        'due' => 0 === $number % 3 ? null : ['date' => $day, 'time' => 1 === $number % 3 ? '10:30' : null],
                    ],
                ];
            }
            $this->json('POST', '/tasks', ['entry' => self::id(), 'tasks' => $tasks]);
        }
        $say('  22,000 undecided');
        $this->import(new Mailbox(self::UNDECIDED + self::SNOOZED, true, true, 11), 'tray');
        $say('  2,000 snoozed');
        $ids = $this->database()->query("SELECT id FROM conversation WHERE place = 'tray' ORDER BY latest_at LIMIT ".self::SNOOZED)
            ?: throw new \RuntimeException();
        foreach (array_chunk($ids->fetchAll(\PDO::FETCH_COLUMN), 50) as $number => $few) {
            $this->json(
                'POST',
                '/decisions',
                [
                    'id' => self::id(),
                    'kind' => 'snooze',
                    'conversations' => array_map(static fn (mixed $id): array => ['id' => $id], $few),
                    'until' => ['date' => gmdate('Y-m-d', time() + 86_400 * (1 + $number))],
                ],
            );
        }
        $say('  50,000 entries');
        $this->entries();
    }

    /** As a year of deciding leaves them: copies of an entry, one every ten minutes, each of another conversation. */
    private function entries(): void
    {
        $database = $this->database();
        $this->json(
            'POST',
            '/decisions',
            [
                'id' => self::id(),
                'kind' => 'archive',
                'conversations' => [['id' => $this->row("SELECT id FROM conversation WHERE place = 'tray' LIMIT 1")['id']]],
            ],
        );
        $first = $this->row('SELECT * FROM journal_entry ORDER BY number DESC LIMIT 1');
        $touched = $this->row("SELECT * FROM journal_touch WHERE kind = 'conversation' LIMIT 1");
        $last = (int) $this->row('SELECT MAX(number) AS number FROM journal_entry')['number'];
        $put = static fn (string $table, int $columns): \PDOStatement => $database->prepare("INSERT INTO {$table} VALUES (".implode(
            ', ',
            array_fill(0, $columns, '?'),
        ).')');
        $entry = $put('journal_entry', \count($first));
        $touch = $put('journal_touch', \count($touched));
        $ids = $database->query('SELECT id FROM conversation') ?: throw new \RuntimeException('There is no conversation.');
        $conversations = $ids->fetchAll(\PDO::FETCH_COLUMN);
        $database->exec('BEGIN IMMEDIATE');
        for ($copy = 1; $copy <= self::ENTRIES; ++$copy) {
            $id = self::id();
            $entry->execute(array_values(array_merge(
                $first,
                ['id' => $id, 'number' => $last + $copy, 'done_at' => gmdate('Y-m-d\TH:i:s\Z', time() - 600 * (self::ENTRIES - $copy))],
            )));
            $touch->execute(array_values(array_merge(
                $touched,
                ['entry_id' => $id, 'object_id' => $conversations[$copy % \count($conversations)]],
            )));
        }
        $database->exec('COMMIT');
    }

    /** @return array<string, scalar|null> */
    private function row(string $sql): array
    {
        $row = ($this->database()->query($sql) ?: throw new \RuntimeException($sql))->fetch(\PDO::FETCH_ASSOC);

        /** @var array<string, scalar|null>|false $row */
        return false === $row ? throw new \RuntimeException("Nothing: {$sql}") : $row;
    }
}

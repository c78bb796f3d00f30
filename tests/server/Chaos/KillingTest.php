<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Chaos;

use PHPUnit\Framework\TestCase;
use ZippyTray\Tests\Server\RealServer;

/**
 * Server and worker are killed again and again while four clients work. Whatever was acknowledged is there afterwards,
 * nothing is there twice, and the books balance. ZIPPY_KILLS says how often.
 */
final class KillingTest extends TestCase
{
    private const CLIENTS = 4;

    private RealServer $server;

    /** @var list<resource> */
    private array $clients = [];

    protected function setUp(): void
    {
        $this->server = new RealServer(sys_get_temp_dir().'/zippy-tray-chaos-'.getmypid(), ['ZIPPY_DEMO' => '1']);
    }

    protected function tearDown(): void
    {
        touch($this->server->folder.'/stop');
        foreach ($this->clients as $client) {
            proc_terminate($client, \SIGKILL);
            proc_close($client);
        }
        $this->server->end();
    }

    public function testWhatWasAcknowledgedIsThereHoweverOftenAllIsKilled(): void
    {
        $kills = max(1, (int) (getenv('ZIPPY_KILLS') ?: '8'));
        self::assertStringContainsString('Sign in as', $this->server->console('demo:seed', '--still'));
        $this->server->start();
        $cookie = $this->server->signIn('wren@ternpoint.example', 'tern-point-light');
        for ($number = 1; $number <= self::CLIENTS; ++$number) {
            $process = proc_open(
                [\PHP_BINARY, __DIR__.'/client.php', (string) $this->server->port(), $cookie, $this->server->folder, (string) $number],
                [1 => ['file', $this->server->folder.'/client.log', 'a'], 2 => ['file', $this->server->folder.'/client.log', 'a']],
                $pipes,
            );
            self::assertIsResource($process);
            $this->clients[] = $process;
        }
        $worker = $this->server->spawn('data:work');
        for ($kill = 0; $kill < $kills; ++$kill) {
            usleep(random_int(150_000, 1_200_000));
            0 === $kill % 3 || $this->server->kill();
            if (1 !== $kill % 3) {
                proc_terminate($worker['process'], \SIGKILL);
                proc_close($worker['process']);
                $worker = $this->server->spawn('data:work');
            }
            $this->server->start();
        }
        usleep(500_000);
        touch($this->server->folder.'/stop');
        foreach ($this->clients as $client) {
            while (proc_get_status($client)['running']) {
                usleep(50_000);
            }
        }
        proc_terminate($worker['process'], \SIGKILL);
        proc_close($worker['process']);

        $said = $this->said();
        $acknowledged = array_keys(array_filter($said, static fn (array $one): bool => $one['status'] < 300));
        self::assertNotEmpty($acknowledged, (string) @file_get_contents($this->server->folder.'/client.log'));
        self::assertSame(
            [],
            array_filter(array_column($said, 'status'), static fn (int $status): bool => $status >= 500),
            'No request was answered with a fault.',
        );
        $database = new \PDO('sqlite:'.$this->server->folder.'/data/zippy-tray.sqlite');
        $entries = $database->query('SELECT id FROM journal_entry') ?: self::fail();
        self::assertSame(
            [],
            array_diff(
                $acknowledged,
                array_map(static fn (mixed $id): string => \is_string($id) ? $id : '', $entries->fetchAll(\PDO::FETCH_COLUMN)),
            ),
            'What was acknowledged is there.',
        );
        $twice = $database->query("SELECT title FROM task WHERE title LIKE 'Task %' GROUP BY title HAVING COUNT(*) > 1") ?: self::fail();
        self::assertSame([], $twice->fetchAll(\PDO::FETCH_COLUMN), 'Nothing is there twice.');

        self::assertStringNotContainsString('Failed', $this->server->console('data:work', '--once'));
        $check = $this->server->console('data:check');
        self::assertStringContainsString('The books balance.', $check);
        self::assertCount(
            $this->number($database, "SELECT COUNT(*) FROM outgoing WHERE state = 'sent' AND letter ->> 'subject' LIKE 'Letter %'"),
            $this->sent(),
            'What is sent went out once.',
        );
        self::assertCount(\count($this->sent()), array_unique($this->sent()));
        fwrite(
            \STDOUT,
            \sprintf(
                "\n%d kills, %d acknowledged, %d asked again, none lost\n",
                $kills,
                \count($acknowledged),
                array_sum(array_column($said, 'again')),
            ),
        );
    }

    /** @return array<string, array{status: int, again: int}> by entry: the best answer, and how often it was asked */
    private function said(): array
    {
        $said = [];
        foreach (glob($this->server->folder.'/said-*') ?: [] as $file) {
            foreach (file($file, \FILE_IGNORE_NEW_LINES) ?: [] as $line) {
                [$status, $entry, $again] = explode(' ', $line) + [1 => '', 2 => '0'];
                if ('draft' !== $entry && '0' !== $status) {
                    $before = $said[$entry] ?? ['status' => 999, 'again' => -1];
                    $said[$entry] = ['status' => min($before['status'], (int) $status), 'again' => $before['again'] + 1 + (int) $again];
                }
            }
        }

        return $said;
    }

    /** @return list<string> subjects */
    private function sent(): array
    {
        $subjects = [];
        foreach (glob($this->server->folder.'/data/post-room/sent/new/*') ?: [] as $file) {
            if (1 === preg_match('/^Subject: (Letter .*)\r$/m', (string) file_get_contents($file), $m)) {
                $subjects[] = $m[1];
            }
        }

        return $subjects;
    }

    private function number(\PDO $database, string $query): int
    {
        $result = $database->query($query);

        return false === $result ? -1 : (int) $result->fetchColumn();
    }
}

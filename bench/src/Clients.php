<?php

declare(strict_types=1);

namespace ZippyTray\Bench;

use Symfony\Component\Console\Style\SymfonyStyle;

/**
 * So many clients work at once, as people do: mostly they look, now and then they decide and undo. Afterwards the books
 * are checked.
 */
final readonly class Clients
{
    public function __construct(private int $clients, private int $seconds)
    {
    }

    /** @return array{requests: int, second: float, late: float, faults: int, books: string} */
    public function __invoke(Folder $folder, SymfonyStyle $style): array
    {
        $found = $folder->database()->query("SELECT id FROM conversation WHERE place = 'tray' LIMIT 64") ?: throw new \RuntimeException();
        $ids = array_values(array_filter($found->fetchAll(\PDO::FETCH_COLUMN), is_string(...)));
        $style->writeln(\sprintf('%d clients for %d seconds', $this->clients, $this->seconds));
        $children = [];
        for ($client = 0; $client < $this->clients; ++$client) {
            $file = "{$folder->path}/client-{$client}";
            $pid = pcntl_fork();
            if (0 === $pid) {
                file_put_contents($file, json_encode($this->work($folder, $ids, $client), \JSON_THROW_ON_ERROR));
                // What belongs to the parent, such as the servers, is its to end.
                posix_kill(posix_getpid(), \SIGKILL);
            }
            $children[$pid] = $file;
        }
        $walls = $faults = [];
        foreach ($children as $pid => $file) {
            pcntl_waitpid($pid, $status);
            /** @var array{walls: list<float>, faults: list<string>} $one */
            $one = json_decode((string) file_get_contents($file), true, flags: \JSON_THROW_ON_ERROR);
            unlink($file);
            $walls = [...$walls, ...$one['walls']];
            $faults = [...$faults, ...$one['faults']];
        }
        sort($walls);
        $report = [
            'requests' => \count($walls),
            'second' => \count($walls) / $this->seconds,
            'late' => $walls[(int) (\count($walls) * 0.95)] ?? 0.0,
            'faults' => \count($faults),
            'books' => trim($folder->console('data:check')),
        ];
        $style->table(
            ['16 clients', ''],
            [
                ['requests', (string) $report['requests']],
                ['each second', number_format($report['second'], 1)],
                ['95 % ms', number_format($report['late'], 0)],
                ['faults', \count($faults).([] === $faults ? '' : ', e.g. '.substr($faults[0], 0, 200))],
                ['books', substr($report['books'], -200)],
            ],
        );

        return $report;
    }

    /**
     * @param list<string> $ids
     *
     * @return array{walls: list<float>, faults: list<string>}
     */
    private function work(Folder $folder, array $ids, int $client): array
    {
        $walls = $faults = [];
        $end = microtime(true) + $this->seconds;
        for ($turn = $client; microtime(true) < $end; ++$turn) {
            $id = $ids[$turn % max(1, \count($ids))] ?? '';
            $entry = Folder::id();
            foreach (match ($turn % 5) {
                0 => [['GET', '/tray', null]],
                1 => [['GET', "/conversations/{$id}", null], ['GET', '/heartbeat', null]],
                2 => [
                    [
                        'POST',
                        '/decisions',
                        [
                            'id' => $entry,
                            'kind' => 'archive',
                            'conversations' => [['id' => $ids[$client * 4 % max(1, \count($ids))] ?? '']],
                        ],
                    ],
                    ['POST', "/journal/{$entry}/undo", ['id' => Folder::id()]],
                ],
                3 => [['GET', '/find?words=harbour+rope', null], ['GET', '/journal', null]],
                default => [['GET', '/tasks', null], ['GET', '/days?count=14', null]],
            } as [$method, $path, $body]) {
                try {
                    $walls[] = Asked::of(static fn (): array => $folder->ask($method, $path, $body))->wall;
                } catch (\RuntimeException $fault) {
                    $faults[] = "{$method} {$path}: {$fault->getMessage()}";
                }
            }
        }

        return ['walls' => $walls, 'faults' => $faults];
    }
}

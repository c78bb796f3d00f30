<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Store;

use Doctrine\DBAL\Connection;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Read\Task\OpenTasks;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Server\Read\Task\TasksWanted;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * What is counted of tasks is what their rows say, at any hour and for times that were meant in other zones.
 */
final class OpenTasksTest extends ApiTestCase
{
    private const ZONES = ['Europe/Dublin', 'Pacific/Kiritimati', 'Pacific/Pago_Pago', 'America/St_Johns'];

    public function testCountsAgreeWithRows(): void
    {
        $account = $this->signIn();
        $ids = [];
        foreach (range(0, 7) as $number) {
            $ids[] = $this->makeTask(['title' => "Task {$number}", 'estimate' => 15]);
        }
        $this->call('POST', '/tasks/moves', ['entry' => self::id(), 'tasks' => [$ids[1]], 'parent' => $ids[0]]);
        $this->call('POST', '/tasks/moves', ['entry' => self::id(), 'tasks' => [$ids[2]], 'parent' => $ids[1]]);
        $connection = $this->service(Connection::class);
        mt_srand(4711);
        foreach (range(1, 60) as $turn) {
            foreach ($ids as $id) {
                $connection->update('task', self::moment('due') + self::moment('start'), ['id' => $id]);
            }
            $this->service(ProgramClock::class)->turnTo(new \DateTimeImmutable(\sprintf(
                '2026-11-24T%02d:%02d:00Z',
                mt_rand(0, 23),
                mt_rand(0, 59),
            )));
            $rows = [
                ...$this->service(TaskRows::class)->all($account, new TasksWanted('open')),
                ...$this->service(TaskRows::class)->all($account, new TasksWanted('waiting')),
            ];
            $told = [];
            foreach ($rows as $row) {
                $told[] = [
                    $row->over,
                    $row->waiting,
                    $row->due['date'] ?? '',
                    $row->start['date'] ?? '',
                    null === $row->parent || null !== $row->due,
                ];
            }
            $counted = array_map(
                static fn (array $task): array => [$task['over'], $task['waiting'], $task['day'], $task['start'], $task['alone']],
                $this->service(OpenTasks::class)->of($account),
            );
            sort($told);
            sort($counted);
            self::assertSame($told, $counted, "turn {$turn}");
        }
        $alone = array_filter($rows, static fn ($row): bool => !$row->waiting && $row->standsAlone());
        self::assertSame(
            ['open' => \count($alone), 'over' => \count(array_filter($alone, static fn ($row): bool => $row->over))],
            $this->service(OpenTasks::class)->counts($account),
        );
    }

    /** @return array<string, string|null> the columns of nothing, a day, or a day with a time, near today or far from it */
    private static function moment(string $which): array
    {
        if (0 === mt_rand(0, 3)) {
            return ["{$which}_date" => null, "{$which}_time" => null, "{$which}_zone" => null];
        }
        $date = (new \DateTimeImmutable('2026-11-24'))->modify(mt_rand(-4, 4).' days')->format('Y-m-d');
        $isDay = 0 === mt_rand(0, 2);

        return [
            "{$which}_date" => $date,
            "{$which}_time" => $isDay ? null : \sprintf('%02d:%02d', mt_rand(0, 23), mt_rand(0, 59)),
            "{$which}_zone" => $isDay ? null : self::ZONES[mt_rand(0, 3)],
        ];
    }
}

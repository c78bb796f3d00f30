<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\TestWith;
use ZippyTray\Server\Read\Coming\Coming;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Tests\Server\ApiTestCase;

/** Long lists come in parts: one after the other they are the whole, in its order, each thing once. */
final class PartsTest extends ApiTestCase
{
    private const TASKS = 450;

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn();
        mt_srand(1871);
        $tasks = [];
        for ($number = 0; $number < self::TASKS; ++$number) {
            $due = 0 === $number % 5 ? null : ['date' => $this->day(mt_rand(0, 60)), 'time' => 0 === $number % 2 ? '09:00' : null];
            $start = 0 === $number % 3 ? ['date' => $this->day(mt_rand(1, 90)), 'time' => 0 === $number % 4 ? '10:30' : null] : null;
            $due = null !== $start && null !== $due && $due['date'] <= $start['date'] ? null : $due;
            $tasks[] = [
                'id' => self::id(),
                'fields' => [
                    'title' => 'Task '.mt_rand(0, 40),
                    'list' => 'List '.$number % 4,
                    'due' => $due,
                    'start' => $start,
                    'labels' => 0 === $number % 2 ? ['Größe'] : [],
                    'priority' => 0 === $number % 7 ? 'high' : 'normal',
                ],
            ];
        }
        $this->call('POST', '/tasks', ['entry' => self::id(), 'tasks' => $tasks], 201);
    }

    #[TestWith(['open', ''])]
    #[TestWith(['waiting', ''])]
    #[TestWith(['done', ''])]
    #[TestWith(['open', '&label='])]
    #[TestWith(['open', '&priority=normal&words=task'])]
    public function testTasks(string $state, string $filter): void
    {
        if ('done' === $state) {
            $this->service(Connection::class)->executeStatement(
                "UPDATE task SET completed_at = '2026-11-2' || abs(random() % 3) || 'T08:00:0' || abs(random() % 3) || 'Z'",
            );
        }
        $label = '&label=' === $filter ? self::text($this->rows('/labels')[0]['id'] ?? '') : '';
        [$found, $total, $after] = [[], null, ''];
        do {
            $part = $this->call('GET', "/tasks?state={$state}{$filter}{$label}&after=".rawurlencode(self::text($after)));
            $found = [...$found, ...(array) $part['tasks']];
            self::assertSame($total ?? $part['total'], $part['total']);
            [$total, $after] = [$part['total'], $part['next']];
            self::assertLessThanOrEqual(TaskRows::PAGE, \count((array) $part['tasks']));
        } while (null !== $after);

        self::assertSame([$total, $total], [\count($found), \count(array_unique(array_map(self::text(...), array_column($found, 'id'))))]);
        $order = array_map(static fn (mixed $task): string => \is_array($task) ? match ($state) {
            'open' => self::moment($task['due'] ?? null),
            'waiting' => self::moment($task['start'] ?? null, ''),
            default => (string) (\PHP_INT_MAX - strtotime(self::text($task['completedAt'] ?? null))),
        } : '', $found);
        $sorted = $order;
        sort($sorted);
        self::assertSame($sorted, $order);
        $all = $this->service(Connection::class)->fetchOne('SELECT COUNT(*) FROM task WHERE '.match ($filter) {
            '' => 'open' === $state ? 'start_date IS NULL' : ('waiting' === $state ? 'start_date IS NOT NULL' : '1'),
            '&label=' => "start_date IS NULL AND labels <> '[]'",
            default => "start_date IS NULL AND priority = 'normal'",
        });
        self::assertSame($all, $total);
    }

    public function testWhatIsDoneMeanwhileLeavesNothingOut(): void
    {
        $first = $this->call('GET', '/tasks');
        $last = (array) ((array) $first['tasks'])[TaskRows::PAGE - 1];
        $second = array_column((array) $this->call('GET', '/tasks?after='.rawurlencode(self::text($first['next'])))['tasks'], 'id');
        $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'tasks' => [$last['id']], 'done' => true]);
        self::assertSame(
            $second,
            array_column((array) $this->call('GET', '/tasks?after='.rawurlencode(self::text($first['next'])))['tasks'], 'id'),
        );
    }

    public function testTheTimeLine(): void
    {
        foreach (range(1, 30) as $number) {
            $this->decide('snooze', [$this->receive('Letter '.$number)], $this->in($number));
        }
        [$items, $stretches, $after] = [[], [], ''];
        do {
            $part = $this->call('GET', '/coming?after='.rawurlencode(self::text($after)));
            $here = 0;
            foreach ((array) $part['stretches'] as $stretch) {
                self::assertIsArray($stretch);
                $stretches[] = [$stretch['kind'], $stretch['from'], $stretch['to'], $stretch['hour']];
                foreach ((array) $stretch['items'] as $item) {
                    self::assertIsArray($item);
                    ++$here;
                    $items[] = [$item['date'], $item['time'], $item['kind'], ((array) ($item['task'] ?? $item['conversation']))['id']];
                }
            }
            self::assertLessThanOrEqual(Coming::PAGE, $here);
            $after = $part['next'];
        } while (null !== $after);

        $counts = (array) $part['counts'];
        self::assertCount((int) array_sum(array_map(static fn (mixed $count): int => \is_int($count) ? $count : 0, $counts)), $items);
        self::assertSame($items, array_values(array_unique($items, \SORT_REGULAR)));
        $order = array_map(static fn (array $item): array => [$item[0], $item[1] ?? ''], $items);
        $sorted = $order;
        sort($sorted);
        self::assertSame($sorted, $order);
        // A stretch that a part ends in goes on in the next; the days follow one another.
        $merged = array_values(array_filter(
            $stretches,
            static fn (int $index): bool => 0 === $index || $stretches[$index] !== $stretches[$index - 1],
            \ARRAY_FILTER_USE_KEY,
        ));
        self::assertSame(array_values(array_unique($merged, \SORT_REGULAR)), $merged);
        foreach ($merged as $index => $stretch) {
            self::assertTrue(0 === $index || 'hour' === $stretch[0] || $merged[$index - 1][2] < $stretch[1]);
        }
    }

    private static function moment(mixed $when, string $untimed = '99'): string
    {
        return \is_array($when) ? self::text($when['date'] ?? null).' '.self::text($when['time'] ?? $untimed) : '9999';
    }

    /** @return array{date: string} */
    private function in(int $days): array
    {
        return ['date' => $this->day($days)];
    }
}

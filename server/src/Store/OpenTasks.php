<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Server\Account\Account;

/**
 * What is counted of open tasks. Only what is needed for that is read, since it is asked for with every beat.
 *
 * @phpstan-type OpenTask array{list: string, archived: bool, alone: bool, waiting: bool, over: bool, day: string, start: string, minutes: int}
 */
final readonly class OpenTasks
{
    /** Zones are less than two days apart: what is further away is decided by its date alone. */
    private const NEAR = 2;

    public function __construct(private Connection $connection, private ClockInterface $clock)
    {
    }

    /** @return array{open: int, over: int} without those that are out of the way, or only a part of another */
    public function counts(Account $account): array
    {
        $open = array_filter($this->of($account), static fn (array $task): bool => !$task['archived'] && !$task['waiting'] && $task['alone']);

        return ['open' => \count($open), 'over' => \count(array_filter(array_column($open, 'over')))];
    }

    /** @return array<string, int> how many are over, by list; without those that are out of the way */
    public function overByList(Account $account): array
    {
        $over = array_filter($this->of($account), static fn (array $task): bool => $task['over'] && !$task['waiting']);

        return array_count_values(array_column($over, 'list'));
    }

    /**
     * Each open task: whether it stands alone (see TaskRow), is out of the way, is over; the days of its due and its start
     * where the person is ("2026-11-27", or empty), and how long it takes.
     *
     * @return list<OpenTask>
     */
    public function of(Account $account): array
    {
        $now = new Moment($this->clock->now(), $account->timeZone());
        $near = [(string) $now->date()->plusDays(-self::NEAR), (string) $now->date()->plusDays(self::NEAR)];
        $tasks = [];
        $parents = [];
        foreach ($this->connection->iterateNumeric(
            'SELECT t.id, t.parent_id, t.list_id, l.archived, t.due_date, t.due_time, t.due_zone, t.start_date, t.start_time, t.start_zone, t.estimate
             FROM task t JOIN task_list l ON l.id = t.list_id WHERE t.account_id = ? AND t.completed_at IS NULL',
            [$account->id],
        ) as $columns) {
            [$id, $parent, $list, $archived, $dueDate, $dueTime, $dueZone, $startDate, $startTime, $startZone, $estimate] = array_map(static fn (mixed $value): string => \is_scalar($value) ? (string) $value : '', $columns);
            [$over, $day] = self::placed($dueDate, $dueTime, $dueZone, $now, $near);
            [$begun, $start] = self::begun($startDate, $startTime, $startZone, $now, $near);
            $parents[$id] = $parent;
            $tasks[$id] = ['list' => $list, 'archived' => '1' === $archived, 'alone' => '' === $parent || '' !== $dueDate, 'waiting' => !$begun, 'over' => $over, 'day' => $day, 'start' => $start, 'minutes' => (int) $estimate];
        }
        foreach ($tasks as $id => $task) {
            for ($above = $parents[$id]; !$task['waiting'] && isset($tasks[$above]); $above = $parents[$above]) {
                $task['waiting'] = $tasks[$id]['waiting'] = $tasks[$above]['waiting'];
            }
        }

        return array_values($tasks);
    }

    /**
     * @param array{string, string} $near
     *
     * @return array{bool, string} whether it is over, and on which day it is due
     */
    private static function placed(string $date, string $time, string $zone, Moment $now, array $near): array
    {
        if (self::isFar($date, $time, $near)) {
            return ['' !== $date && $date < $near[0], $date];
        }
        $due = self::due($date, $time, $zone);

        return [$due->isOver($now->instant, $now->zone), (string) $due->dayIn($now->zone)];
    }

    /**
     * @param array{string, string} $near
     *
     * @return array{bool, string} whether it has begun, and on which day it does
     */
    private static function begun(string $date, string $time, string $zone, Moment $now, array $near): array
    {
        if (self::isFar($date, $time, $near)) {
            return ['' === $date || $date < $near[0], $date];
        }
        $start = self::due($date, $time, $zone);

        return [!TaskTree::isAhead($start, $now), (string) $start->dayIn($now->zone)];
    }

    /** @param array{string, string} $near */
    private static function isFar(string $date, string $time, array $near): bool
    {
        return '' === $date || ('' === $time && ($date < $near[0] || $date > $near[1]));
    }

    private static function due(string $date, string $time, string $zone): Due
    {
        return Due::fromState(['date' => $date, 'time' => '' === $time ? null : $time, 'zone' => '' === $zone ? null : $zone]);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Task;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\Task\Standing;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Server\Account\Account;

/**
 * What is counted of open tasks. Only what is needed for that is read, since it is asked for with every beat.
 *
 * @phpstan-type OpenTask array{
 *     id: string, list: string, archived: bool, alone: bool, waiting: bool, over: bool, day: string, start: string, minutes: int
 * }
 */
final readonly class OpenTasks
{
    public function __construct(private Connection $connection, private ClockInterface $clock)
    {
    }

    /** @return array{open: int, over: int} without those that are out of the way, or only a part of another */
    public function counts(Account $account): array
    {
        $open = array_filter(
            $this->of($account),
            static fn (array $task): bool => !$task['archived'] && !$task['waiting'] && $task['alone'],
        );

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
        // What is a day, or a time of another day where the person is, is told by its date alone.
        $today = (string) $now->date();
        $zone = $now->zone->getName();
        $tasks = [];
        $parents = [];
        /**
         * @var array{
         *     string, string|null, string, int, string|null, string|null, string|null, string|null, string|null,
         *     string|null, int|null
         * } $columns
         */
        foreach ($this->connection->fetchAllNumeric(
            'SELECT t.id, t.parent_id, t.list_id, l.archived, t.due_date, t.due_time, t.due_zone,
                t.start_date, t.start_time, t.start_zone, t.estimate
             FROM task t JOIN task_list l ON l.id = t.list_id WHERE t.account_id = ? AND t.completed_at IS NULL',
            [$account->id],
        ) as $columns) {
            [$id, $parent, $list, $archived, $due, , , $start, , , $minutes] = $columns;
            $isOver = null !== $due && $due < $today;
            $isAhead = null !== $start && $start > $today;
            if (null !== $due && null !== $columns[5] && ($due === $today || $zone !== $columns[6])) {
                $moment = self::moment($due, $columns[5], $columns[6]);
                $isOver = $moment->isOver($now->instant, $now->zone);
                $due = (string) $moment->dayIn($now->zone);
            }
            if (null !== $start && null !== $columns[8] && ($start === $today || $zone !== $columns[9])) {
                $moment = self::moment($start, $columns[8], $columns[9]);
                $isAhead = Standing::isAhead($moment, $now);
                $start = (string) $moment->dayIn($now->zone);
            }
            $parents[$id] = $parent;
            $tasks[$id] = [
                'id' => $id,
                'list' => $list,
                'archived' => (bool) $archived,
                'alone' => Standing::alone(null !== $parent, null !== $due),
                'waiting' => $isAhead,
                'over' => $isOver,
                'day' => $due ?? '',
                'start' => $start ?? '',
                'minutes' => $minutes ?? 0,
            ];
        }
        foreach ($tasks as $id => $task) {
            for ($above = $parents[$id]; null !== $above && !$task['waiting'] && isset($tasks[$above]); $above = $parents[$above]) {
                $task['waiting'] = $tasks[$id]['waiting'] = $tasks[$above]['waiting'];
            }
        }

        return array_values($tasks);
    }

    private static function moment(string $date, ?string $time, ?string $zone): Due
    {
        return Due::fromState(['date' => $date, 'time' => $time, 'zone' => $zone]);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use ZippyTray\Core\Agenda\Event\Occurrence;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Task\OpenTasks;
use ZippyTray\Server\Read\Task\TaskRow;
use ZippyTray\Server\Read\Task\TaskRows;

/**
 * The days with what lies on them, and whether they hold it.
 *
 * @phpstan-import-type OpenTask from OpenTasks
 */
final readonly class AgendaDays
{
    /** So many at once. */
    public const MOST = 42;

    public function __construct(private LookAhead $look, private TaskRows $tasks, private DayPlans $plans)
    {
    }

    /**
     * @return array{
     *     from: string,
     *     days: list<array{
     *         date: string, hours: array{from: string, to: string}|null, there: int, promised: int, slots: list<SlotView>,
     *         due: list<string>, keystone: string|null, laidOut: bool, closed: bool
     *     }>,
     *     events: list<EventView>, tasks: list<TaskRow>, short: list<array{task: string, minutes: int, by: string}>
     * }
     *
     *        slots: those without an hour first; due: tasks that are due that day, of which not all lies anywhere; short: what does not
     *        fit before its due, what is due soonest first
     */
    public function of(Account $account, LocalDate $from, int $count): array
    {
        $until = $from->plusDays($count - 1);
        $ahead = ($this->look)($account, $from, $until);
        $days = [];
        $shown = array_fill_keys(array_keys($ahead->fit->short), true);
        $plans = $this->plans->between($account, $from, $until);
        for ($number = 0; $number < $count; ++$number) {
            $date = $from->plusDays($number);
            $here = array_values(array_filter($ahead->slots, static fn (SlotView $slot): bool => $slot->date === (string) $date));
            $due = self::dueOn($date, $ahead);
            $days[] = [
                'date' => (string) $date,
                'hours' => $account->profile->agendaSettings()->hoursOn($date, $account->profile->timeSettings()->week),
                'there' => $ahead->there($date),
                'promised' => $ahead->promised($date),
                'slots' => $here,
                'due' => $due,
            ] + ($plans[(string) $date] ?? DayPlans::NONE);
            $keystone = $plans[(string) $date]['keystone'] ?? null;
            $shown += array_fill_keys([
                ...array_map(static fn (SlotView $slot): string => $slot->task, $here),
                ...$due,
                ...(null === $keystone ? [] : [$keystone]),
            ], true);
        }
        $short = [];
        foreach ($ahead->fit->short as $task => ['minutes' => $minutes, 'by' => $by]) {
            null === $by ?: $short[] = ['task' => (string) $task, 'minutes' => $minutes, 'by' => (string) $by];
        }

        return [
            'from' => (string) $from,
            'days' => $days,
            'events' => $this->shown($account, $ahead->events, $from, $until),
            'tasks' => $this->tasks->some($account, array_map(strval(...), array_keys($shown))),
            'short' => $short,
        ];
    }

    /** @return list<array{date: string, there: int, promised: int}> from today on */
    public function balance(Account $account, int $count): array
    {
        $today = LocalDate::of($this->look->now(), $account->timeZone());
        $ahead = ($this->look)($account, $today, $today->plusDays($count - 1));

        return array_map(static fn (LocalDate $date): array => [
            'date' => (string) $date,
            'there' => $ahead->there($date),
            'promised' => $ahead->promised($date),
        ], array_map($today->plusDays(...), range(0, $count - 1)));
    }

    /**
     * @param list<Occurrence> $events
     *
     * @return list<EventView> of those days
     */
    private function shown(Account $account, array $events, LocalDate $from, LocalDate $until): array
    {
        $zone = $account->timeZone();
        $views = [];
        foreach ($events as $one) {
            if (!$until->isBefore($one->time->firstDay($zone)) && !$one->time->lastDay($zone)->isBefore($from)) {
                $views[] = EventView::of($one, $account->person(), $zone);
            }
        }

        return $views;
    }

    /** @return list<string> ids; what is over is due today */
    private static function dueOn(LocalDate $date, Ahead $ahead): array
    {
        $due = array_filter($ahead->open, static fn (array $task, string $id): bool => !$task['archived']
            && ($task['over'] ? $ahead->today->equals($date) : $task['day'] === (string) $date)
            && (!isset($ahead->laid[$id]) || $ahead->laid[$id] < $task['minutes']), \ARRAY_FILTER_USE_BOTH);

        return array_map(strval(...), array_keys($due));
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\Agenda\AgendaSettings;
use ZippyTray\Core\Agenda\Fit;
use ZippyTray\Core\Agenda\FitLoads;
use ZippyTray\Core\Agenda\Load;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Task\OpenTasks;
use ZippyTray\Server\Read\Task\TaskRow;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * The days with what lies on them, and whether they hold it.
 *
 * @phpstan-import-type OpenTask from OpenTasks
 */
final readonly class AgendaDays
{
    /** So many at once. */
    public const MOST = 42;

    public function __construct(
        private Connection $connection,
        private OpenTasks $open,
        private TaskRows $tasks,
        private ClockInterface $clock,
        private LoggerInterface $logger,
    ) {
    }

    /**
     * @return array{
     *     from: string,
     *     days: list<array{
     *         date: string, hours: array{from: string, to: string}|null, there: int, promised: int, slots: list<SlotView>,
     *         due: list<string>
     *     }>,
     *     tasks: list<TaskRow>, short: list<array{task: string, minutes: int, by: string}>
     * }
     *
     *        slots: those without an hour first; due: tasks that are due that day, of which not all lies anywhere; short: what does not
     *        fit before its due, what is due soonest first
     */
    public function of(Account $account, LocalDate $from, int $count): array
    {
        $now = new Moment($this->clock->now(), $account->timeZone());
        $today = $now->date();
        $settings = $account->profile->agendaSettings();
        $time = $account->profile->timeSettings();
        $slots = $this->slots($account, $from->isBefore($today) ? $from : $today);
        $open = array_column($this->open->of($account), null, 'id');
        $ahead = array_values(array_filter(
            $slots,
            static fn (SlotView $slot): bool => !$slot->done && isset($open[$slot->task]) && $slot->date >= (string) $today,
        ));
        $laid = [];
        foreach ($ahead as $slot) {
            $laid[$slot->task] = ($laid[$slot->task] ?? 0) + $slot->minutes;
        }
        $fit = $this->fit($settings, $time, $now, $ahead, $laid, $open);
        $days = [];
        $shown = array_fill_keys(array_keys($fit->short), true);
        for ($number = 0; $number < $count; ++$number) {
            $date = $from->plusDays($number);
            $here = array_values(array_filter($slots, static fn (SlotView $slot): bool => $slot->date === (string) $date));
            $due = self::dueOn($date, $today, $open, $laid);
            $isPast = $date->isBefore($today);
            $days[] = [
                'date' => (string) $date,
                'hours' => $settings->hoursOn($date, $time->week),
                'there' => $isPast ? $settings->there($date, $time->week) : $fit->there($date),
                'promised' => $isPast ? array_sum(array_column($here, 'minutes')) : $fit->promised($date),
                'slots' => $here,
                'due' => $due,
            ];
            $shown += array_fill_keys([...array_map(static fn (SlotView $slot): string => $slot->task, $here), ...$due], true);
        }
        $short = [];
        foreach ($fit->short as $task => ['minutes' => $minutes, 'by' => $by]) {
            null === $by ?: $short[] = ['task' => (string) $task, 'minutes' => $minutes, 'by' => (string) $by];
        }

        return [
            'from' => (string) $from,
            'days' => $days,
            'tasks' => $this->tasks->some($account, array_map(strval(...), array_keys($shown))),
            'short' => $short,
        ];
    }

    /**
     * What is laid lies where it lies; of the rest of an estimate it is told by when it has to be done.
     *
     * @param list<SlotView>          $slots from today on, of open tasks
     * @param array<string, int>      $laid  minutes that lie there, by task
     * @param array<string, OpenTask> $open
     */
    private function fit(AgendaSettings $settings, TimeSettings $time, Moment $now, array $slots, array $laid, array $open): Fit
    {
        $today = $now->date();
        $there = [];
        for ($day = 0; $day < FitLoads::AHEAD; ++$day) {
            $date = $today->plusDays($day);
            $there[] = $settings->there($date, $time->week, 0 === $day ? self::gone($settings, $time, $now) : 0);
        }
        $loads = array_map(
            static fn (SlotView $slot): Load => new Load('slot '.$slot->id, $slot->minutes, on: LocalDate::parse($slot->date)),
            $slots,
        );
        foreach ($open as $id => $task) {
            if ('' !== $task['day'] && !$task['archived']) {
                $loads[] = new Load(
                    (string) $id,
                    max(0, $task['minutes'] - ($laid[$id] ?? 0)),
                    $task['waiting'] && '' !== $task['start'] ? LocalDate::parse($task['start']) : null,
                    $task['over'] ? $today : LocalDate::parse($task['day']),
                );
            }
        }

        return FitLoads::of($today, $there, $loads);
    }

    /** @return int minutes of the hours of today that are over */
    private static function gone(AgendaSettings $settings, TimeSettings $time, Moment $now): int
    {
        $hours = $settings->hoursOn($now->date(), $time->week);
        $begin = null === $hours ? $now : Moment::at($now->date(), TimeOfDay::parse($hours['from']), $now->zone);

        return max(0, intdiv($now->instant->getTimestamp() - $begin->instant->getTimestamp(), 60));
    }

    /**
     * @param array<string, OpenTask> $open
     * @param array<string, int>      $laid minutes that lie anywhere from today on, by task
     *
     * @return list<string> ids; what is over is due today
     */
    private static function dueOn(LocalDate $date, LocalDate $today, array $open, array $laid): array
    {
        $due = array_filter($open, static fn (array $task, string $id): bool => !$task['archived']
            && ($task['over'] ? $today->equals($date) : $task['day'] === (string) $date)
            && (!isset($laid[$id]) || $laid[$id] < $task['minutes']), \ARRAY_FILTER_USE_BOTH);

        return array_map(strval(...), array_keys($due));
    }

    /** @return list<SlotView> from a day on, in order; of tasks that there are */
    private function slots(Account $account, LocalDate $from): array
    {
        $zone = $account->timeZone();
        $slots = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT s.id, s.task_id, s.day, s.at, s.minutes, t.completed_at FROM (
                SELECT * FROM slot WHERE account_id = :account AND at IS NULL AND day >= :day
                UNION ALL SELECT * FROM slot WHERE account_id = :account AND at IS NOT NULL AND at >= :at
             ) s JOIN task t ON t.id = s.task_id ORDER BY s.at, s.id',
            [
                'account' => $account->id,
                'day' => (string) $from,
                'at' => StoredNow::of($from->at(TimeOfDay::parse('00:00'), $zone)),
            ],
        ) as $columns) {
            $row = new Row($columns);
            try {
                $slots[] = self::view($row, $zone);
            } catch (\Throwable $problem) {
                $this->logger->error('A slot cannot be shown.', ['slot' => $row->string('id'), 'exception' => $problem]);
            }
        }

        return $slots;
    }

    private static function view(Row $row, \DateTimeZone $zone): SlotView
    {
        $at = $row->stringOrNull('at');
        $instant = null === $at ? null : new \DateTimeImmutable($at);

        return new SlotView(
            $row->string('id'),
            $row->string('task_id'),
            null === $instant ? (string) LocalDate::parse($row->string('day')) : (string) LocalDate::of($instant, $zone),
            null === $instant ? null : (string) TimeOfDay::of($instant, $zone),
            $at,
            $row->int('minutes'),
            null !== $row->stringOrNull('completed_at'),
        );
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\Agenda\Event\Occurrence;
use ZippyTray\Core\Agenda\FitLoads;
use ZippyTray\Core\Agenda\HoursThere;
use ZippyTray\Core\Agenda\Load;
use ZippyTray\Core\Agenda\Piece;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Task\Clocks;
use ZippyTray\Server\Read\Task\OpenTasks;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * Reads what was promised and what takes place, and looks how it fits.
 *
 * @phpstan-import-type OpenTask from OpenTasks
 */
final readonly class LookAhead
{
    public function __construct(
        private Connection $connection,
        private OpenTasks $open,
        private EventsBetween $events,
        private Clocks $clocks,
        private ClockInterface $clock,
        private LoggerInterface $logger,
    ) {
    }

    public function now(): \DateTimeImmutable
    {
        return $this->clock->now();
    }

    /** @param int $further days behind the last one on which anything is due or lies */
    public function __invoke(Account $account, LocalDate $from, LocalDate $until, int $further = 0): Ahead
    {
        $now = new Moment($this->clock->now(), $account->timeZone());
        $today = $now->date();
        $first = $from->isBefore($today) ? $from : $today;
        $slots = $this->slots($account, $first);
        $open = $this->known($account, array_column($this->open->of($account), null, 'id'));
        $pieces = [];
        foreach ($slots as $slot) {
            if (!$slot->done && isset($open[$slot->task]) && $slot->date >= (string) $today) {
                $pieces[] = new Piece($slot->id, $slot->task, LocalDate::parse($slot->date), $slot->minutes);
            }
        }
        $last = max([(string) $until, ...array_column($open, 'day'), ...array_column($slots, 'date')]);
        $horizon = min(FitLoads::AHEAD, max(1, $today->daysUntil(LocalDate::parse($last)) + 1) + $further);
        $events = ($this->events)($account, $first, LocalDate::parse(max((string) $until, (string) $today->plusDays($horizon - 1))));
        $taken = self::taken($events, $account->person(), $now->zone);
        $hours = new HoursThere($account->profile->agendaSettings(), $account->profile->timeSettings()->week, $now->zone);
        $free = [];
        for ($day = 0; $day < $horizon; ++$day) {
            $date = $today->plusDays($day);
            $free[] = $hours->on($date, $taken[(string) $date] ?? [], $now);
        }
        $loads = Piece::loads(self::tasks($open, self::firstWithHours($today, $free)), $pieces);

        return new Ahead(
            $today,
            $slots,
            $events,
            $open,
            Piece::laid($pieces),
            $taken,
            $free,
            $loads,
            FitLoads::of($today, $free, $loads),
            $hours,
        );
    }

    /**
     * Each as long as such a thing takes this person, where that is known.
     *
     * @param array<string, OpenTask> $open
     *
     * @return array<string, OpenTask>
     */
    private function known(Account $account, array $open): array
    {
        $experience = $this->clocks->experience($account);
        foreach ($experience->isEmpty() ? [] : $this->connection->iterateAssociative(
            'SELECT id, title, list_id, estimate FROM task WHERE account_id = ? AND completed_at IS NULL AND estimate > 0',
            [$account->id->text],
        ) as $columns) {
            $row = new Row($columns);
            if (isset($open[$row->string('id')])) {
                $open[$row->string('id')]['minutes'] = $experience->minutes(
                    $row->string('title'),
                    new ListId($row->string('list_id')),
                    $row->int('estimate'),
                );
            }
        }

        return $open;
    }

    /** @param list<int> $free minutes */
    private static function firstWithHours(LocalDate $today, array $free): LocalDate
    {
        foreach ($free as $day => $minutes) {
            if ($minutes > 0) {
                return $today->plusDays($day);
            }
        }

        return $today;
    }

    /**
     * @param array<string, OpenTask> $open
     * @param LocalDate               $soonest by when what is over can be done
     *
     * @return list<Load> those that have a due
     */
    private static function tasks(array $open, LocalDate $soonest): array
    {
        $loads = [];
        foreach ($open as $id => $task) {
            if ('' !== $task['day'] && !$task['archived']) {
                $loads[] = new Load(
                    (string) $id,
                    $task['minutes'],
                    $task['waiting'] && '' !== $task['start'] ? LocalDate::parse($task['start']) : null,
                    $task['over'] ? $soonest : LocalDate::parse($task['day']),
                );
            }
        }

        return $loads;
    }

    /**
     * @param list<Occurrence> $events
     *
     * @return array<string, list<array{int, int}>> by day the seconds since 1970 from which until which something takes place
     */
    private static function taken(array $events, Person $person, \DateTimeZone $zone): array
    {
        $taken = [];
        foreach ($events as $one) {
            if ($one->event->takesTimeOf($person)) {
                $last = $one->time->lastDay($zone);
                for ($day = $one->time->firstDay($zone); !$last->isBefore($day); $day = $day->plusDays(1)) {
                    $taken[(string) $day][] = $one->time->seconds($zone);
                }
            }
        }

        return $taken;
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

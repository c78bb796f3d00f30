<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Agenda\Day\NextGap;
use ZippyTray\Core\Agenda\Day\Why;
use ZippyTray\Core\Agenda\HoursThere;
use ZippyTray\Core\Agenda\LaySlots;
use ZippyTray\Core\Owed\OwedState;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Post\OwedRow;
use ZippyTray\Server\Read\Post\OwedRows;
use ZippyTray\Server\Read\Task\OpenTasks;
use ZippyTray\Server\Read\Task\TaskRow;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Server\Read\Tray\ConversationRow;
use ZippyTray\Server\Read\Tray\ConversationRows;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;
use ZippyTray\Server\Store\WhereNow;

/**
 * What is asked when a day is laid out in the morning, and looked back at in the evening.
 *
 * @phpstan-import-type OpenTask from OpenTasks
 */
final readonly class DayAsks
{
    /** So many days back one looks for what was meant for a day and not done then. */
    private const BACK = 28;

    /** So many are asked about in one go; what is left comes up the next time. */
    private const MOST = 200;

    /** So many that were done today are named. */
    private const DONE = 100;

    private const CAME_BACK = 'SELECT c.id FROM conversation c WHERE c.account_id = :account AND '.WhereNow::CAME_BACK;

    public function __construct(
        private Connection $connection,
        private LookAhead $look,
        private TaskRows $tasks,
        private ConversationRows $conversations,
        private OwedRows $owed,
        private DayPlans $plans,
        private WeekFigures $figures,
    ) {
    }

    /** @return array{date: string, keystone: string|null, laidOut: bool, closed: bool, asks: list<DayAsk>} */
    public function morning(Account $account): array
    {
        $now = new Moment($this->look->now(), $account->timeZone());
        $today = $now->date();
        $ahead = ($this->look)($account, $today->plusDays(-self::BACK), $today);
        $since = $this->plans->lastLaidOut($account, $today);
        $laid = self::laid($ahead);
        $whys = array_filter(array_map(static fn (array $task): ?Why => $task['archived'] || !self::counts($task, $laid)
            ? null
            : Why::ofTask(
                $today,
                $since,
                self::day($task['day']),
                $task['over'],
                self::day($task['start']),
                self::days($laid[$task['id']] ?? []),
            ), $ahead->open));

        return ['date' => (string) $today] + $this->plan($account, $today) + [
            'asks' => $this->inOrder([
                ...$this->ofTasks($account, $whys, $laid, $ahead, $now),
                ...$this->back($account, $ahead, $now),
                ...$this->owed($account, $ahead, $now),
            ]),
        ];
    }

    /**
     * @return array{
     *     date: string, keystone: string|null, laidOut: bool, closed: bool, asks: list<DayAsk>, done: list<TaskRow>, decided: int,
     *     worked: int
     * } done: the newest first; decided: conversations; worked: seconds by the clock
     */
    public function evening(Account $account): array
    {
        $now = new Moment($this->look->now(), $account->timeZone());
        $today = $now->date();
        $ahead = ($this->look)($account, $today->plusDays(-self::BACK), $today);
        $laid = self::laid($ahead);
        $whys = array_filter(array_map(static fn (array $task): ?Why => $task['archived'] || $task['waiting'] || !self::counts($task, $laid)
            ? null
            : Why::atNight($today, self::day($task['day']), $task['over'], self::days($laid[$task['id']] ?? [])), $ahead->open));
        $midnight = TimeOfDay::parse('00:00');
        $of = [
            'account' => $account->id->text,
            'from' => StoredNow::of($today->at($midnight, $now->zone)),
            'until' => StoredNow::of($today->plusDays(1)->at($midnight, $now->zone)),
        ];

        return ['date' => (string) $today] + $this->plan($account, $today) + [
            'asks' => $this->inOrder($this->ofTasks($account, $whys, $laid, $ahead, $now)),
            'done' => $this->tasks->some($account, array_map(
                static fn (array $columns): string => (new Row($columns))->string('id'),
                $this->connection->fetchAllAssociative(
                    'SELECT id FROM task WHERE account_id = ? AND completed_at >= ? ORDER BY completed_at DESC, id LIMIT '.self::DONE,
                    [$account->id->text, $of['from']],
                ),
            )),
            'decided' => $this->figures->decided($of),
            'worked' => $this->figures->worked($of),
        ];
    }

    /** @return array{keystone: string|null, laidOut: bool, closed: bool} */
    private function plan(Account $account, LocalDate $day): array
    {
        return $this->plans->between($account, $day, $day)[(string) $day] ?? DayPlans::NONE;
    }

    /**
     * What is only a part of another is asked about with that, unless it lies in the agenda by itself.
     *
     * @param OpenTask                      $task
     * @param array<string, list<SlotView>> $laid
     */
    private static function counts(array $task, array $laid): bool
    {
        return $task['alone'] || isset($laid[$task['id']]);
    }

    /** @return array<string, list<SlotView>> what is not done of the tasks that lie somewhere */
    private static function laid(Ahead $ahead): array
    {
        $laid = [];
        foreach ($ahead->slots as $slot) {
            if (!$slot->done) {
                $laid[$slot->task][] = $slot;
            }
        }

        return $laid;
    }

    /**
     * @param array<string, Why>            $whys by task
     * @param array<string, list<SlotView>> $laid
     *
     * @return list<DayAsk>
     */
    private function ofTasks(Account $account, array $whys, array $laid, Ahead $ahead, Moment $now): array
    {
        $ids = array_map(strval(...), array_keys($whys));
        $asks = [];
        foreach ($this->tasks->some($account, \array_slice($ids, 0, self::MOST)) as $row) {
            $minutes = $ahead->open[$row->id]['minutes'] ?? 0;
            $slots = array_values(array_filter(
                $laid[$row->id] ?? [],
                static fn (SlotView $slot): bool => !$now->date()->isBefore(LocalDate::parse($slot->date)),
            ));
            $takes = $minutes > 0 ? $minutes : max(
                [LaySlots::USUAL, ...array_map(static fn (SlotView $slot): int => $slot->minutes, $slots)],
            );
            $asks[] = new DayAsk($whys[$row->id], $row, null, null, $slots, $minutes, $this->gap($account, $ahead, $now, $takes));
        }

        return $asks;
    }

    /** @return list<DayAsk> mail that was put away, and is back and undecided */
    private function back(Account $account, Ahead $ahead, Moment $now): array
    {
        $free = $this->gap($account, $ahead, $now, LaySlots::USUAL);
        $ids = \array_slice($this->conversations->ids(self::CAME_BACK, $account), 0, self::MOST);

        return array_map(
            static fn (ConversationRow $row): DayAsk => new DayAsk(Why::CameBack, null, $row, null, [], 0, $free),
            array_values($this->conversations->some($account, $ids)),
        );
    }

    /** @return list<DayAsk> what others owe until tonight */
    private function owed(Account $account, Ahead $ahead, Moment $now): array
    {
        $free = $this->gap($account, $ahead, $now, LaySlots::USUAL);
        $end = StoredNow::of($now->date()->plusDays(1)->at(TimeOfDay::parse('00:00'), $now->zone));
        $due = array_filter(
            $this->owed->of($account),
            static fn (OwedRow $row): bool => OwedState::Open === $row->state && $row->until < $end,
        );

        return array_map(
            static fn (OwedRow $row): DayAsk => new DayAsk(Why::Owed, null, null, $row, [], 0, $free),
            \array_slice(array_values($due), 0, self::MOST),
        );
    }

    private function gap(Account $account, Ahead $ahead, Moment $now, int $minutes): ?string
    {
        $today = $now->date();
        $hours = $account->profile->agendaSettings()->hoursOn($today, $account->profile->timeSettings()->week);
        if (null === $hours) {
            return null;
        }
        $taken = $ahead->taken[(string) $today] ?? [];
        foreach ($ahead->slots as $slot) {
            if ($slot->date === (string) $today && null !== $slot->begins && !$slot->done) {
                $at = (new \DateTimeImmutable($slot->begins))->getTimestamp();
                $taken[] = [$at, $at + 60 * $slot->minutes];
            }
        }
        [$begin, $end] = HoursThere::span($today, $hours, $now->zone);
        $at = NextGap::of(
            max($begin, $now->instant->getTimestamp()),
            $end,
            $taken,
            60 * $minutes,
        );

        return null === $at ? null : (string) TimeOfDay::of(new \DateTimeImmutable('@'.$at), $now->zone);
    }

    /**
     * @param list<DayAsk> $asks
     *
     * @return list<DayAsk> by why; of tasks what is due first comes first
     */
    private function inOrder(array $asks): array
    {
        $order = array_map(static fn (Why $why): string => $why->value, Why::cases());
        $key = static fn (DayAsk $ask): array => [
            array_search($ask->why->value, $order, true),
            $ask->task->due['date'] ?? '9999',
            $ask->task->title ?? $ask->owed->until ?? '',
        ];
        usort($asks, static fn (DayAsk $one, DayAsk $other): int => $key($one) <=> $key($other));

        return $asks;
    }

    private static function day(string $date): ?LocalDate
    {
        return '' === $date ? null : LocalDate::parse($date);
    }

    /**
     * @param list<SlotView> $slots
     *
     * @return list<LocalDate>
     */
    private static function days(array $slots): array
    {
        return array_map(static fn (SlotView $slot): LocalDate => LocalDate::parse($slot->date), $slots);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Remind\Rings;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Passing\Stretch;
use ZippyTray\Core\Time\Passing\TimeLine;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\When\Speaker;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\View\ComingItem;

/**
 * Everything that comes, in order: mail that comes back, tasks that begin, reminders.
 */
final readonly class Coming
{
    public const KINDS = ['mail', 'owed', 'start', 'reminder', 'out'];

    public function __construct(private Rings $rings, private TaskRows $tasks, private ConversationRows $conversations, private OutgoingRows $outgoing, private ClockInterface $clock)
    {
    }

    /**
     * @param list<string> $kinds of those only
     *
     * @return array{counts: array<string, int>, clearing: list<ComingItem>, stretches: list<array{kind: string, from: LocalDate, to: LocalDate, hour: ?int, items: list<ComingItem>}>} counts of all kinds
     */
    public function of(Account $account, array $kinds = self::KINDS): array
    {
        $speaker = $account->speaker($this->clock->now());
        [$items, $clearing] = $this->mail($account, $speaker);
        $items = [...$items, ...$this->starts($account), ...$this->reminders($account, $speaker), ...$this->goingOut($account, $speaker)];
        $counts = array_count_values(array_map(static fn (ComingItem $item): string => $item->kind, [...$items, ...$clearing])) + array_fill_keys(self::KINDS, 0);
        $items = array_values(array_filter($items, static fn (ComingItem $item): bool => \in_array($item->kind, $kinds, true)));
        $orders = array_map(static fn (ComingItem $item): string => $item->order(), $items);
        asort($orders, \SORT_STRING);
        $items = array_map(static fn (int $index): ComingItem => $items[$index], array_keys($orders));

        return ['counts' => $counts, 'clearing' => \in_array('mail', $kinds, true) ? $clearing : [], 'stretches' => $this->stretches($items, $speaker)];
    }

    /**
     * @param list<ComingItem> $items in order
     *
     * @return list<array{kind: string, from: LocalDate, to: LocalDate, hour: ?int, items: list<ComingItem>}>
     */
    private function stretches(array $items, Speaker $speaker): array
    {
        $line = new TimeLine($speaker->now, $speaker->settings->week);
        [$stretches, $of] = [[], []];
        foreach ($items as $item) {
            $stretch = $line->stretch($item->date, $item->time);
            $stretches[$stretch->key()] ??= $stretch;
            $of[$stretch->key()][] = $item;
        }

        return array_map(
            static fn (Stretch $stretch): array => ['kind' => $stretch->kind->value, 'from' => $stretch->from, 'to' => $stretch->to, 'hour' => $stretch->hour, 'items' => $of[$stretch->key()] ?? []],
            $line->withGaps(array_values($stretches)),
        );
    }

    /** @return array{list<ComingItem>, list<ComingItem>} what has a moment, and what waits for the next clearing */
    private function mail(Account $account, Speaker $speaker): array
    {
        [$timed, $clearing] = [[], []];
        foreach ($this->conversations->away($account) as $row) {
            $until = new \DateTimeImmutable($row->awayUntil ?? 'now');
            $item = new ComingItem(AwayReason::HandOver === $row->awayReason ? 'owed' : 'mail', LocalDate::of($until, $speaker->now->zone), TimeOfDay::of($until, $speaker->now->zone), '', null, $row);
            AwayReason::NextClearing === $row->awayReason ? $clearing[] = $item : $timed[] = $item;
        }

        return [$timed, $clearing];
    }

    /** @return list<ComingItem> tasks that are out of the way until their own start */
    private function starts(Account $account): array
    {
        $items = [];
        foreach ($this->tasks->waiting($account) as $task) {
            if (null !== $task->start) {
                $items[] = new ComingItem('start', LocalDate::parse($task->start['date']), null === $task->start['time'] ? null : TimeOfDay::parse($task->start['time']), '', $task, null);
            }
        }

        return $items;
    }

    /** @return list<ComingItem> messages whose moment the person chose */
    private function goingOut(Account $account, Speaker $speaker): array
    {
        $items = [];
        foreach ($this->outgoing->open($account)['waiting'] as $row) {
            if (true === $row['later'] && \is_string($row['goesAt'])) {
                $at = new \DateTimeImmutable($row['goesAt']);
                $items[] = new ComingItem('out', LocalDate::of($at, $speaker->now->zone), TimeOfDay::of($at, $speaker->now->zone), '', null, null, outgoing: $row);
            }
        }

        return $items;
    }

    /** @return list<ComingItem> of each reminder the next time */
    private function reminders(Account $account, Speaker $speaker): array
    {
        $found = [];
        foreach ($this->rings->reminding($account->id) as $reminding) {
            foreach ($reminding->reminders as $reminder) {
                $moment = $reminder->moment($reminding->start, $reminding->due, $speaker->now->zone, $speaker->settings, $speaker->now->instant);
                if (true === $moment?->isAfter($speaker->now->instant)) {
                    $found[] = [$reminding->about->kind, $reminding->about->id, $moment->instant, $reminder->text(), $reminder->kind()];
                }
            }
        }
        $ids = static fn (ObjectKind $kind): array => array_values(array_unique(array_column(array_filter($found, static fn (array $one): bool => $kind === $one[0]), 1)));
        $tasks = array_column($this->tasks->some($account, $ids(ObjectKind::Task)), null, 'id');
        $conversations = $this->conversations->some($account, $ids(ObjectKind::Conversation));

        return array_map(static fn (array $one): ComingItem => new ComingItem('reminder', LocalDate::of($one[2], $speaker->now->zone), TimeOfDay::of($one[2], $speaker->now->zone), $one[3], $tasks[$one[1]] ?? null, $conversations[$one[1]] ?? null, $one[4]), $found);
    }
}

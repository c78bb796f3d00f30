<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Coming;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Remind\Rings;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Passing\Stretch;
use ZippyTray\Core\Time\Passing\StretchKind;
use ZippyTray\Core\Time\Passing\TimeLine;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\DueView;
use ZippyTray\Server\Read\Post\OutgoingRows;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Server\Read\Tray\ConversationRows;

/**
 * Everything that comes, in order: mail that comes back, tasks that begin, reminders.
 */
final readonly class Coming
{
    /** So many at once. */
    public const PAGE = 200;

    public const KINDS = ['mail', 'owed', 'start', 'reminder', 'out'];

    public function __construct(
        private Rings $rings,
        private TaskRows $tasks,
        private ConversationRows $conversations,
        private OutgoingRows $outgoing,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param list<string> $kinds of those only
     * @param string       $after what `next` was of the part before; empty for the first
     *
     * @return array{
     *     counts: array<string, int>, clearing: list<ComingItem>,
     *     stretches: list<array{kind: string, from: LocalDate, to: LocalDate, hour: ?int, items: list<ComingItem>}>,
     *     next: string|null
     * }
     *
     *                                                                 counts of all kinds and parts; a stretch that a part ends in goes
     * on in the next
     */
    public function of(Account $account, array $kinds = self::KINDS, string $after = ''): array
    {
        $speaker = $account->profile->speaker($this->clock->now());
        $items = [
            ...$this->mail($account, $speaker),
            ...$this->starts($account, $speaker),
            ...$this->reminders($account, $speaker),
            ...$this->goingOut($account, $speaker),
        ];
        $counts = array_count_values(array_map(
            static fn (ComingKey $item): string => $item->kind,
            $items,
        )) + array_fill_keys(self::KINDS, 0);
        $ordered = [];
        foreach ($items as $item) {
            if (\in_array($item->kind, $kinds, true)) {
                $ordered[$item->order()] = $item;
            }
        }
        ksort($ordered, \SORT_STRING);
        $skipped = \count(array_filter(array_keys($ordered), static fn (string $order): bool => $order <= $after));
        $part = \array_slice($ordered, $skipped, self::PAGE);
        $shown = $this->shown($account, $part);
        $isOfPart = static fn (ComingKey $item): bool => isset($shown[$item->order()]);
        $view = static fn (ComingKey $item): ComingItem => $shown[$item->order()];
        $clearing = array_filter($ordered, static fn (ComingKey $item): bool => null === $item->date);

        return [
            'counts' => $counts,
            'clearing' => array_map($view, array_values(array_filter($clearing, $isOfPart))),
            'stretches' => $this->stretches(array_values(array_diff_key($ordered, $clearing)), $speaker, $isOfPart, $view),
            'next' => $skipped + self::PAGE < \count($ordered) ? (string) array_key_last($part) : null,
        ];
    }

    /**
     * @param list<ComingKey>                 $items    all, in order
     * @param \Closure(ComingKey): bool       $isOfPart
     * @param \Closure(ComingKey): ComingItem $view
     *
     * @return list<array{
     *     kind: string, from: LocalDate, to: LocalDate, hour: ?int, items: list<ComingItem>
     * }> of the part, each gap with what follows it
     */
    private function stretches(array $items, Speaker $speaker, \Closure $isOfPart, \Closure $view): array
    {
        $line = new TimeLine($speaker->now, $speaker->settings->week);
        [$stretches, $of] = [[], []];
        $keys = [];
        foreach ($items as $item) {
            // Many come at the same moment.
            $at = $item->date.' '.$item->time;
            if (!isset($keys[$at])) {
                $stretch = $line->stretch($item->date ?? $speaker->now->date(), $item->time);
                $keys[$at] = $stretch->key();
                $stretches[$keys[$at]] ??= $stretch;
            }
            $of[$keys[$at]][] = $item;
        }
        $found = [];
        $gap = null;
        foreach ($line->withGaps(array_values($stretches)) as $stretch) {
            if (StretchKind::Gap === $stretch->kind) {
                $gap = $stretch;

                continue;
            }
            $all = $of[$stretch->key()] ?? [];
            $here = array_values(array_filter($all, $isOfPart));
            if ([] !== $here && null !== $gap && $here[0] === $all[0]) {
                $found[] = self::stretch($gap, []);
            }
            if ([] !== $here) {
                $found[] = self::stretch($stretch, array_map($view, $here));
            }
            $gap = null;
        }

        return $found;
    }

    /**
     * @param list<ComingItem> $items
     *
     * @return array{kind: string, from: LocalDate, to: LocalDate, hour: ?int, items: list<ComingItem>}
     */
    private static function stretch(Stretch $stretch, array $items): array
    {
        return [
            'kind' => $stretch->kind->value,
            'from' => $stretch->from,
            'to' => $stretch->to,
            'hour' => $stretch->hour,
            'items' => $items,
        ];
    }

    /**
     * @param array<string, ComingKey> $part
     *
     * @return array<string, ComingItem> by the same keys
     */
    private function shown(Account $account, array $part): array
    {
        $ids = static fn (ObjectKind $kind): array => array_values(array_unique(array_map(
            static fn (ComingKey $item): string => $item->id,
            array_filter($part, static fn (ComingKey $item): bool => $kind === $item->about),
        )));
        $tasks = array_column($this->tasks->some($account, $ids(ObjectKind::Task)), null, 'id');
        $conversations = $this->conversations->some($account, $ids(ObjectKind::Conversation));

        return array_map(static fn (ComingKey $item): ComingItem => new ComingItem(
            $item->kind,
            $item->date ?? LocalDate::of(new \DateTimeImmutable($conversations[$item->id]->awayUntil ?? 'now'), $account->timeZone()),
            $item->time,
            $item->text,
            ObjectKind::Task === $item->about ? $tasks[$item->id] ?? null : null,
            ObjectKind::Conversation === $item->about ? $conversations[$item->id] ?? null : null,
            $item->how,
            $item->outgoing,
        ), $part);
    }

    /** @return list<ComingKey> */
    private function mail(Account $account, Speaker $speaker): array
    {
        $here = [];

        return array_map(static function (array $one) use ($speaker, &$here): ComingKey {
            [$date, $time] = $here[$one['until']] ??= self::here($one['until'], $speaker);
            $reason = AwayReason::tryFrom($one['reason']);

            return new ComingKey(
                AwayReason::HandOver === $reason ? 'owed' : 'mail',
                AwayReason::NextClearing === $reason ? null : $date,
                $time,
                $one['subject'],
                ObjectKind::Conversation,
                $one['id'],
            );
        }, $this->conversations->away($account));
    }

    /** @return array{LocalDate, TimeOfDay} where the person is; of an instant that is damaged, now: its row says so */
    private static function here(string $instant, Speaker $speaker): array
    {
        try {
            $at = new \DateTimeImmutable($instant);
        } catch (\Exception) {
            $at = $speaker->now->instant;
        }

        return [LocalDate::of($at, $speaker->now->zone), TimeOfDay::of($at, $speaker->now->zone)];
    }

    /** @return list<ComingKey> tasks that are out of the way until their own start */
    private function starts(Account $account, Speaker $speaker): array
    {
        return array_map(static function (array $one) use ($speaker): ComingKey {
            $start = DueView::in($speaker->now->zone, $one['start']);

            return new ComingKey(
                'start',
                LocalDate::parse($start['date']),
                null === $start['time'] ? null : TimeOfDay::parse($start['time']),
                $one['title'],
                ObjectKind::Task,
                $one['id'],
            );
        }, $this->tasks->starting($account));
    }

    /** @return list<ComingKey> messages whose moment the person chose */
    private function goingOut(Account $account, Speaker $speaker): array
    {
        $items = [];
        foreach ($this->outgoing->open($account)['waiting'] as $row) {
            if ($row->later && null !== $row->goesAt) {
                [$date, $time] = self::here($row->goesAt, $speaker);
                $items[] = new ComingKey('out', $date, $time, '', ObjectKind::Outgoing, $row->id, outgoing: $row);
            }
        }

        return $items;
    }

    /** @return list<ComingKey> of each reminder the next time */
    private function reminders(Account $account, Speaker $speaker): array
    {
        $found = [];
        foreach ($this->rings->reminding($account->id) as $reminding) {
            foreach ($reminding->reminders as $reminder) {
                $moment = $reminder->moment(
                    $reminding->start,
                    $reminding->due,
                    $speaker->now->zone,
                    $speaker->settings,
                    $speaker->now->instant,
                );
                if (true === $moment?->isAfter($speaker->now->instant)) {
                    $found[] = new ComingKey(
                        'reminder',
                        LocalDate::of($moment->instant, $speaker->now->zone),
                        TimeOfDay::of($moment->instant, $speaker->now->zone),
                        '',
                        $reminding->about->kind,
                        $reminding->about->id,
                        '' === $reminding->words ? $reminder->text() : $reminding->words,
                        $reminder->kind(),
                    );
                }
            }
        }

        return $found;
    }
}

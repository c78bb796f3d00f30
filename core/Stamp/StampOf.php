<?php

declare(strict_types=1);

namespace ZippyTray\Core\Stamp;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Change;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Label\Labels;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Tray\AwayReason;

/**
 * The steps that would do again what somebody did: their entries of the journal, without what belongs to that mail alone.
 */
final readonly class StampOf
{
    public function __construct(private Labels $labels, private Tasks $tasks)
    {
    }

    /**
     * @param list<Entry>   $entries in the order in which they were done
     * @param \DateTimeZone $zone    the person's own
     *
     * @return array{list<StampStep>, list<string>} the steps, and sentences about what cannot be part of a stamp
     */
    public function __invoke(AccountId $accountId, array $entries, \DateTimeZone $zone): array
    {
        $steps = $left = [];
        foreach ($entries as $entry) {
            $of = $this->stepsOf($accountId, $entry, $zone);
            [] === $of ? $left[] = $this->why($entry) : array_push($steps, ...$of);
        }

        $steps = self::together($steps);
        // Who decided twice meant the later one.
        $decisions = array_keys(array_filter($steps, static fn (StampStep $step): bool => $step->do->decides()));
        foreach (\array_slice($decisions, 0, -1) as $earlier) {
            unset($steps[$earlier]);
        }

        return [array_values($steps), $left];
    }

    /**
     * Labels that were put on one after the other are put on in one step.
     *
     * @param list<StampStep> $steps
     *
     * @return list<StampStep>
     */
    private static function together(array $steps): array
    {
        $labels = [];
        foreach ($steps as $at => $step) {
            if (StepKind::Label !== $step->do && StepKind::Unlabel !== $step->do) {
                continue;
            }
            $first = $labels[$step->do->value] ??= $at;
            if ($first !== $at) {
                $steps[$first] = new StampStep($step->do, array_values(array_unique([...$steps[$first]->labels, ...$step->labels])));
                unset($steps[$at]);
            }
        }

        return array_values($steps);
    }

    private function why(Entry $entry): string
    {
        return \in_array($entry->kind, [EntryKind::Send, EntryKind::SendLater], true)
            ? 'The letter that you wrote is not part of it: choose a template to answer with.'
            : \sprintf('"%s" is no step that a stamp can have.', $entry->about);
    }

    /** @return list<StampStep> */
    private function stepsOf(AccountId $accountId, Entry $entry, \DateTimeZone $zone): array
    {
        $after = $this->first($entry, ObjectKind::Conversation)->after ?? [];

        return match ($entry->kind) {
            EntryKind::Archive, EntryKind::ArchiveRest => [new StampStep(StepKind::Archive)],
            EntryKind::Delete => [new StampStep(StepKind::Delete)],
            EntryKind::DoNow => [new StampStep(StepKind::DoNow)],
            EntryKind::Mute => [new StampStep(StepKind::Mute)],
            EntryKind::Block => [new StampStep(StepKind::Block)],
            EntryKind::Snooze => [$this->snooze($after, $entry, $zone)],
            EntryKind::HandOver => [$this->handOver($entry, $after, $zone)],
            EntryKind::MakeTask => $this->task($accountId, $entry, $zone),
            EntryKind::Label => $this->labels($accountId, $entry),
            EntryKind::PutIntoList => $this->lists($accountId, $entry),
            default => [],
        };
    }

    /** @param array<string, mixed> $after */
    private function snooze(array $after, Entry $entry, \DateTimeZone $zone): StampStep
    {
        $for = AwayReason::tryFrom(self::text($after['awayReason'] ?? '')) ?? AwayReason::Snooze;

        return AwayReason::NextClearing === $for
            ? new StampStep(StepKind::Snooze, for: $for)
            : new StampStep(StepKind::Snooze, until: self::phrase(self::text($after['awayUntil'] ?? ''), $entry, $zone), for: $for);
    }

    /** @param array<string, mixed> $after */
    private function handOver(Entry $entry, array $after, \DateTimeZone $zone): StampStep
    {
        $people = [];
        foreach ($entry->changes() as $change) {
            if (ObjectKind::Owed === $change->object->kind && null === $change->before) {
                [$name, $email] = [self::text($change->after['name'] ?? ''), self::text($change->after['email'] ?? '')];
                $people[] = '' === $email ? $name : ('' === $name ? $email : "{$name} <{$email}>");
            }
        }

        return new StampStep(
            StepKind::HandOver,
            until: self::phrase(self::text($after['awayUntil'] ?? ''), $entry, $zone),
            to: [] === $people ? self::text($after['owedBy'] ?? '') : implode(', ', $people),
            what: self::text($after['owedWhat'] ?? ''),
        );
    }

    /** @return list<StampStep> */
    private function task(AccountId $accountId, Entry $entry, \DateTimeZone $zone): array
    {
        $made = array_values(array_filter(
            $entry->changes(),
            static fn (Change $change): bool => ObjectKind::Task === $change->object->kind && null === $change->before,
        ))[0]->after ?? null;
        if (null === $made) {
            return [];
        }
        $list = '';
        foreach ($this->tasks->lists($accountId) as $one) {
            $list = $one->id->text === ($made['list'] ?? null) ? $one->name() : $list;
        }
        $shown = $this->labels->all($accountId);
        /** @var list<string> $ids */
        $ids = \is_array($made['labels'] ?? null) ? $made['labels'] : [];
        $labels = [];
        foreach ($shown->borne($ids, false) as $label) {
            $labels[] = $label->name();
        }
        /** @var array{date: string, time: ?string, zone: ?string}|null $due */
        $due = $made['due'] ?? null;

        return [new StampStep(StepKind::Task, line: implode('; ', array_filter([
            '{asked}',
            null === $due ? '' : 'due '.self::dueIn(Due::fromState($due), $entry, $zone),
            '' === $list ? '' : 'list '.$list,
            [] === $labels ? '' : 'label '.implode(', ', $labels),
            'normal' === ($made['priority'] ?? 'normal') ? '' : self::text($made['priority']),
        ], static fn (string $clause): bool => '' !== $clause)))];
    }

    /** @return list<StampStep> */
    private function labels(AccountId $accountId, Entry $entry): array
    {
        $shown = $this->labels->all($accountId);
        $names = ['on' => [], 'off' => []];
        foreach ($entry->changes() as $change) {
            if (ObjectKind::Borne !== $change->object->kind) {
                continue;
            }
            $label = $shown->of(self::text(($change->after ?? $change->before ?? [])['label'] ?? ''));
            if (null !== $label) {
                $names[null === $change->after ? 'off' : 'on'][$label->name()] = $label->name();
            }
        }

        return [
            ...([] === $names['on'] ? [] : [new StampStep(StepKind::Label, array_values($names['on']))]),
            ...([] === $names['off'] ? [] : [new StampStep(StepKind::Unlabel, array_values($names['off']))]),
        ];
    }

    /** @return list<StampStep> what was put in; a stamp takes nothing out */
    private function lists(AccountId $accountId, Entry $entry): array
    {
        $steps = [];
        foreach ($entry->changes() as $change) {
            $id = self::text($change->after['list'] ?? '');
            $isPut = ObjectKind::Card === $change->object->kind && null === $change->before;
            foreach ($isPut ? $this->tasks->lists($accountId) : [] as $list) {
                if ($list->id->text === $id) {
                    $steps[$id] = new StampStep(StepKind::PutIntoList, list: $list->name());
                }
            }
        }

        return array_values($steps);
    }

    private function first(Entry $entry, ObjectKind $kind): ?Change
    {
        foreach ($entry->changes() as $change) {
            if ($kind === $change->object->kind) {
                return $change;
            }
        }

        return null;
    }

    /** A moment as it was seen from the moment at which it was chosen. */
    private static function phrase(string $until, Entry $entry, \DateTimeZone $zone): string
    {
        if ('' === $until) {
            return 'tomorrow';
        }
        $moment = (new \DateTimeImmutable($until))->setTimezone($zone);

        return self::dueIn(Due::at(LocalDate::of($moment, $zone), TimeOfDay::of($moment, $zone), $zone), $entry, $zone);
    }

    private static function dueIn(Due $due, Entry $entry, \DateTimeZone $zone): string
    {
        $days = LocalDate::of($entry->at, $zone)->daysUntil($due->date);
        $day = match (true) {
            $days <= 0 => 'today',
            1 === $days => 'tomorrow',
            default => \sprintf('in %d days', $days),
        };

        return null === $due->time ? $day : \sprintf('%s at %s', $day, $due->time);
    }

    private static function text(mixed $value): string
    {
        return \is_string($value) ? $value : '';
    }
}

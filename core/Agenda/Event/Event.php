<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Recurrence\Recur;
use ZippyTray\Core\Time\Reminder;

/**
 * Something that takes place: once, or again and again with exceptions (VEVENT, RFC 5545, 3.6.1).
 *
 * @phpstan-import-type EventFieldsState from EventFields
 * @phpstan-import-type EventTimeState from EventTime
 *
 * @phpstan-type ToldState array{title: string, time: EventTimeState, place: string, notes: string}
 * @phpstan-type EventState array{
 *     fields: EventFieldsState, uid: string, sequence: int, status: string, organiser: array{name: string, email: string}|null,
 *     source: string|null, exceptions: array<string, ToldState|null>, more: list<string>, other: list<string>,
 *     told?: array{sequence: int, emails: list<string>}
 * }
 */
final class Event implements Journaled
{
    /** Exceptions of one series, and of days besides. */
    public const MOST_EXCEPTIONS = 2000;

    /** For queries: the day and the instant (UTC) with which it begins, and the last day, seen from UTC with a day to spare. */
    private string $day;

    private ?string $lastDay;

    private string $title;

    private string $uid;

    private bool $repeats;

    private bool $reminds;

    /** @var EventState */
    private array $state;

    private ?EventFields $fields = null;

    /** Of whom the calendar is that it is read from; null: it is the person's own. */
    private ?string $calendar = null;

    /** @param EmailId|null $source the message that it was made from */
    public function __construct(
        public readonly EventId $id,
        public readonly AccountId $accountId,
        EventFields $fields,
        ?string $uid = null,
        ?EmailId $source = null,
    ) {
        $this->restore([
            'fields' => $fields->state(),
            'uid' => $uid ?? $id->text,
            'sequence' => 0,
            'status' => EventStatus::Confirmed->value,
            'organiser' => null,
            'source' => $source?->text,
            'exceptions' => [],
            'more' => [],
            'other' => [],
        ]);
    }

    /**
     * @param array<string, mixed> $state    what state() gave
     * @param string|null          $calendar the name of the calendar of others that it is read from
     */
    public static function revived(EventId $id, AccountId $accountId, array $state, ?string $calendar = null): self
    {
        /** @var EventState $state */
        $event = new self($id, $accountId, EventFields::fromState($state['fields']));
        $event->restore($state);
        $event->calendar = $calendar;

        return $event;
    }

    public function fields(): EventFields
    {
        return $this->fields ??= EventFields::fromState($this->state['fields']);
    }

    public function title(): string
    {
        return $this->title;
    }

    public function uid(): string
    {
        return $this->uid;
    }

    /** How often it was changed so that who takes part has to know (RFC 5545, 3.8.7.4). */
    public function sequence(): int
    {
        return $this->state['sequence'];
    }

    public function status(): EventStatus
    {
        return EventStatus::from($this->state['status']);
    }

    /** Who asks to it; null: the person themselves. */
    public function organiser(): ?Address
    {
        $organiser = $this->state['organiser'];

        return null === $organiser ? null : new Address($organiser['email'], $organiser['name']);
    }

    public function source(): ?EmailId
    {
        return null === $this->state['source'] ? null : new EmailId($this->state['source']);
    }

    /** The name of the calendar of others that it is read from, where it cannot be changed; null: it is the person's own. */
    public function calendar(): ?string
    {
        return $this->calendar;
    }

    /** @return array{string, string|null} first and last day, seen from UTC with a day to spare; without a last one it has no end */
    public function days(): array
    {
        return [$this->day, $this->lastDay];
    }

    public function isRepeating(): bool
    {
        return $this->repeats;
    }

    /** @return list<string>|null who was told of it by mail, in lower case; null: nobody has been */
    public function toldTo(): ?array
    {
        return $this->state['told']['emails'] ?? null;
    }

    /** Whether it has changed since those who take part were told of it. */
    public function isNews(): bool
    {
        return isset($this->state['told']) && $this->state['told']['sequence'] < $this->sequence();
    }

    /** @param list<string> $emails who takes part and has been told of it as it is now, in lower case */
    public function told(array $emails): void
    {
        $this->restore(['told' => ['sequence' => $this->sequence(), 'emails' => $emails]] + $this->state);
    }

    /** @return list<string> keys of days besides those of the rule (RDATE) */
    public function more(): array
    {
        return $this->state['more'];
    }

    /** @return list<string> content lines (RFC 5545, 3.1) of which nothing is known here, and which are written again as they came */
    public function other(): array
    {
        return $this->state['other'];
    }

    /** @return array<string, EventFields|null> by the keys of those of the series that are told anew; null: it does not take place */
    public function exceptions(): array
    {
        return array_map(fn (?array $told): ?EventFields => null === $told ? null : $this->asTold($told), $this->state['exceptions']);
    }

    /**
     * What is told of it anew, all of it. Exceptions stay with the days on which they are, also when the time of the day is another.
     */
    public function tell(EventFields $fields): void
    {
        $before = $this->fields();
        $state = $this->state;
        $state['fields'] = $fields->state();
        $state['sequence'] += $fields->matters($before) ? 1 : 0;
        if ($fields->time->state() !== $before->time->state()) {
            [$state['exceptions'], $state['more']] = $this->shifted($before->time, $fields->time);
        }
        $this->restore('' === $fields->repeat && [] === $state['more'] ? ['exceptions' => []] + $state : $state);
    }

    /**
     * What is said of one of the series, as it is then said of all of it: that begins later by as much as this one does. Where one of it
     * is on the new day already, the days stay, and only the hour is another.
     *
     * @param EventFields $fields with the repeat of the series, or another one
     *
     * @throws NotFound when there is no such one
     * @throws Refused  when the days on which they come cannot be moved along
     */
    public function asAll(string $key, EventFields $fields): EventFields
    {
        $one = $this->occurrence($key) ?? throw new NotFound('occurrence', $key);
        $series = $this->fields();
        if ($one->time->state() === $fields->time->state()) {
            return $fields->at($series->time);
        }
        $date = $fields->time->begins->date;
        $isOneThere = [] !== array_filter(
            $this->between($date, $date, $series->time->begins->zone ?? new \DateTimeZone('UTC')),
            static fn (Occurrence $other): bool => !$other->isTold(),
        );
        $days = $isOneThere ? 0 : $one->time->begins->date->daysUntil($date);
        $repeat = $fields->repeat === $series->repeat ? Recur::moved($series->repeat, $days) : $fields->repeat;

        return $fields->at($fields->time->on($series->time->begins->date->plusDays($days)), $repeat);
    }

    /**
     * One of the series is told anew; null: it does not take place.
     *
     * @throws NotFound when there is no such one
     */
    public function except(string $key, ?EventFields $fields): void
    {
        $state = $this->state;
        $isFull = !isset($state['exceptions'][$key]) && \count($state['exceptions']) >= self::MOST_EXCEPTIONS;
        if ($isFull || null === $this->occurrence($key)) {
            throw new NotFound('occurrence', $key);
        }
        $state['exceptions'][$key] = self::toldState($fields);
        ++$state['sequence'];
        $this->restore($state);
    }

    /**
     * What somebody who takes part says to it.
     *
     * @return Participant as they are then; who was not asked by name takes part from now on
     */
    public function answer(Person $person, Answer $answer): Participant
    {
        $state = $this->state;
        foreach ($this->fields()->participants as $number => $one) {
            if ($person->is($one->who)) {
                $state['fields']['participants'][$number]['answer'] = $answer->value;
                $this->restore($state);

                return $one->answering($answer);
            }
        }
        $one = new Participant(new Address($person->email, $person->name), $answer);
        $state['fields']['participants'][] = $one->state();
        $this->restore($state);

        return $one;
    }

    /** @return list<Reminder> none when it does not take place */
    public function reminders(): array
    {
        return $this->reminds && EventStatus::Cancelled !== $this->status() ? $this->fields()->reminders : [];
    }

    /** @param list<Reminder> $reminders all that it has from now on */
    public function remind(array $reminders): void
    {
        $this->restore(['fields' => $this->fields()->reminding($reminders)->state()] + $this->state);
    }

    /** It does not take place, all of it. */
    public function callOff(int $sequence): void
    {
        $this->restore(['status' => EventStatus::Cancelled->value, 'sequence' => max($sequence, $this->sequence())] + $this->state);
    }

    public function isSameAs(ToldEvent $told): bool
    {
        $same = self::revived($this->id, $this->accountId, $this->state);
        $same->take($told);

        return $same->state === $this->state;
    }

    /** What another program says of it: all of it, or of one of its series. */
    public function take(ToldEvent $told): void
    {
        if (null !== $told->partOf && $this->repeats) {
            null === $this->occurrence($told->partOf) ?: $this->except($told->partOf, $told->fields);

            return;
        }
        $this->restore([
            'fields' => $told->fields->state(),
            'uid' => $this->uid,
            'sequence' => $told->sequence,
            'status' => $told->status->value,
            'organiser' => null === $told->organiser ? null : ['name' => $told->organiser->name, 'email' => $told->organiser->email],
            'source' => $this->state['source'],
            'exceptions' => array_map(self::toldState(...), \array_slice($told->exceptions, 0, self::MOST_EXCEPTIONS, true)),
            'more' => \array_slice($told->more, 0, self::MOST_EXCEPTIONS),
            'other' => $told->other,
            ...(isset($this->state['told']) ? ['told' => $this->state['told']] : []),
        ]);
    }

    /** One of the series by its key; of what comes once, that. Null when there is no such one. */
    public function occurrence(string $key): ?Occurrence
    {
        try {
            $day = LocalDate::parse(substr($key, 0, 10));
        } catch (\Throwable) {
            return null;
        }
        $told = $this->exceptions()[$key] ?? null;
        if (null !== $told) {
            return new Occurrence($this, $key, $told->time, $told);
        }
        $utc = new \DateTimeZone('UTC');
        foreach ($this->between($day->plusDays(-1), $day->plusDays(1), $utc) as $one) {
            if ($one->key === $key) {
                return $one;
            }
        }

        return null;
    }

    /**
     * As it takes place on the days from one to another, these included.
     *
     * @param \DateTimeZone $zone in which the days are those of who looks
     *
     * @return list<Occurrence> in order
     */
    public function between(LocalDate $from, LocalDate $until, \DateTimeZone $zone): array
    {
        if ((string) $until < $this->day || (null !== $this->lastDay && $this->lastDay < (string) $from)) {
            return [];
        }
        $exceptions = $this->exceptions();
        $found = [];
        foreach ($this->times($from, $until) as $time) {
            $key = $time->key();
            \array_key_exists($key, $exceptions) ?: $found[$key] = new Occurrence($this, $key, $time);
        }
        foreach ($exceptions as $key => $told) {
            null === $told ?: $found[$key] = new Occurrence($this, (string) $key, $told->time, $told);
        }
        $found = array_filter($found, static fn (Occurrence $one): bool => !$until->isBefore($one->time->firstDay($zone))
            && !$one->time->lastDay($zone)->isBefore($from));
        uasort($found, static fn (Occurrence $one, Occurrence $other): int => $one->time->seconds($zone)
            <=> $other->time->seconds($zone));

        return array_values($found);
    }

    /** Whether it takes the hours of somebody: not when it does not take place, or they have said that they do not come. */
    public function takesTimeOf(Person $person): bool
    {
        $has = static fn (Participant $one): bool => Answer::Declined === $one->answer && $person->is($one->who);

        return $this->fields()->isBusy()
            && EventStatus::Cancelled !== $this->status()
            && [] === array_filter($this->fields()->participants, $has);
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Event, $this->id->text);
    }

    public function state(): array
    {
        return $this->state;
    }

    public function restore(array $state): void
    {
        /** @var EventState $state */
        $this->state = $state;
        $this->fields = null;
        $utc = new \DateTimeZone('UTC');
        $fields = $this->fields();
        $this->title = $fields->title;
        $this->uid = $state['uid'];
        $this->reminds = [] !== $fields->reminders;
        $this->repeats = '' !== $fields->repeat || [] !== $state['more'];
        $this->day = (string) $fields->time->firstDay($utc)->plusDays(-1);
        $this->lastDay = $this->repeats ? $this->lastOfSeries() : (string) $fields->time->lastDay($utc)->plusDays(1);
    }

    public function needs(): array
    {
        return [];
    }

    /** @return string|null the last day on which anything of a series can be; null: it has no end */
    private function lastOfSeries(): ?string
    {
        $recur = $this->fields()->recur();
        if (null !== $recur && null === $recur->until) {
            return null;
        }
        $utc = new \DateTimeZone('UTC');
        $days = [(string) ($recur->until ?? $this->fields()->time->lastDay($utc))];
        foreach ($this->exceptions() as $told) {
            null === $told ?: $days[] = (string) $told->time->lastDay($utc);
        }
        foreach ($this->state['more'] as $key) {
            $days[] = substr($key, 0, 10);
        }

        return (string) LocalDate::parse(max($days))->plusDays(
            1 + max($this->fields()->time->days, intdiv($this->fields()->time->minutes, 1440) + 1),
        );
    }

    /** @return iterable<EventTime> about those days, exceptions among them; a few may lie outside */
    private function times(LocalDate $from, LocalDate $until): iterable
    {
        $time = $this->fields()->time;
        $recur = $this->fields()->recur();
        if (null === $recur) {
            yield $time;
        } else {
            $early = $from->plusDays(-2 - max($time->days, intdiv($time->minutes, 1440)));
            $late = $until->plusDays(2);
            foreach ($recur->dates($time->begins->date, $early, $late) as $date) {
                $one = $time->on($date);
                if (null !== $recur->end && null !== $one->start() && $one->start()->instant > $recur->end) {
                    break;
                }
                yield $one;
            }
        }
        foreach ($this->state['more'] as $key) {
            yield $time->beginning($key);
        }
    }

    /** @return ($fields is null ? null : ToldState) */
    private static function toldState(?EventFields $fields): ?array
    {
        return null === $fields ? null : [
            'title' => $fields->title,
            'time' => $fields->time->state(),
            'place' => $fields->place,
            'notes' => $fields->notes,
        ];
    }

    /** @param ToldState $told */
    private function asTold(array $told): EventFields
    {
        return $this->fields()->changed($told['title'], EventTime::fromState($told['time']), $told['place'], $told['notes']);
    }

    /** @return array{array<string, ToldState|null>, list<string>} exceptions and days besides, by their keys at the new time */
    private function shifted(EventTime $before, EventTime $now): array
    {
        $days = $before->begins->date->daysUntil($now->begins->date);
        $zone = $before->begins->zone ?? new \DateTimeZone('UTC');
        $key = static function (string $key) use ($now, $days, $zone): string {
            $day = 10 === \strlen($key) ? LocalDate::parse($key) : LocalDate::of(new \DateTimeImmutable($key), $zone);

            return $now->on($day->plusDays($days))->key();
        };
        $exceptions = [];
        foreach ($this->state['exceptions'] as $old => $told) {
            $exceptions[$key((string) $old)] = $told;
        }

        return [$exceptions, array_map($key, $this->state['more'])];
    }
}

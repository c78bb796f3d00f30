<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Recurrence\Recur;
use ZippyTray\Core\Time\Reminder;

/**
 * What somebody writes of an event.
 *
 * @phpstan-import-type EventTimeState from EventTime
 * @phpstan-import-type ParticipantState from Participant
 * @phpstan-import-type ReminderState from Reminder
 *
 * @phpstan-type EventFieldsState array{
 *     title: string, time: EventTimeState, place: string, notes: string, repeat: string, participants: list<ParticipantState>,
 *     reminders: list<ReminderState>, busy: bool
 * }
 */
final readonly class EventFields
{
    /** Characters of a title or place. */
    public const LINE = 500;

    /** Characters. */
    public const NOTES = 50_000;

    public const MOST_PARTICIPANTS = 500;

    public const MOST_REMINDERS = 20;

    public string $title;

    /**
     * @param string            $repeat       RECUR (RFC 5545, 3.3.10); empty: it comes once
     * @param list<Participant> $participants
     * @param list<Reminder>    $reminders    leads count from its start; none comes again and again
     * @param bool|null         $isBusy       whether it takes the hours that it lies on; null: when it does not take whole days
     *
     * @throws Refused when one is too long, or the repeat is none
     */
    public function __construct(
        string $title,
        public EventTime $time,
        public string $place = '',
        public string $notes = '',
        public string $repeat = '',
        public array $participants = [],
        public array $reminders = [],
        public ?bool $isBusy = null,
    ) {
        $this->title = trim((string) preg_replace('/\s+/u', ' ', $title));
        if ('' === $this->title) {
            throw new Refused('An event needs a title.', 'title');
        }
        foreach ([
            'title' => [$this->title, self::LINE],
            'place' => [$place, self::LINE],
            'notes' => [$notes, self::NOTES],
        ] as $field => [$text, $most]) {
            if (mb_strlen($text) > $most) {
                throw new Refused(\sprintf('That is too long: %d characters are possible.', $most), $field);
            }
        }
        if (\count($participants) > self::MOST_PARTICIPANTS || \count($reminders) > self::MOST_REMINDERS) {
            throw new Refused('An event cannot have so many.', \count($reminders) > self::MOST_REMINDERS ? 'reminders' : 'participants');
        }
        foreach ($reminders as $reminder) {
            if (!$reminder->kind()->hasOneMoment()) {
                throw new Refused('An event comes again by itself: its reminders do not.', 'reminders');
            }
        }
        '' === $repeat ?: $this->recur();
    }

    public function isBusy(): bool
    {
        return $this->isBusy ?? !$this->time->isWholeDays();
    }

    /** How it comes again; null when it comes once. */
    public function recur(): ?Recur
    {
        $zone = $this->time->begins->zone ?? new \DateTimeZone('UTC');

        return '' === $this->repeat ? null : Recur::parse($this->repeat, $zone, $this->time->begins->time);
    }

    /**
     * One of a series, told anew.
     */
    public function changed(string $title, EventTime $time, string $place, string $notes): self
    {
        return new self($title, $time, $place, $notes, '', $this->participants, $this->reminders, $this->isBusy);
    }

    /** @param list<Reminder> $reminders */
    public function reminding(array $reminders): self
    {
        return new self(
            $this->title,
            $this->time,
            $this->place,
            $this->notes,
            $this->repeat,
            $this->participants,
            $reminders,
            $this->isBusy,
        );
    }

    /** Once, then, and with nobody. */
    public function alone(EventTime $time): self
    {
        return new self($this->title, $time, $this->place, $this->notes, '', [], $this->reminders, $this->isBusy);
    }

    /** @param string|null $repeat null: as it is */
    public function at(EventTime $time, ?string $repeat = null): self
    {
        return new self(
            $this->title,
            $time,
            $this->place,
            $this->notes,
            $repeat ?? $this->repeat,
            $this->participants,
            $this->reminders,
            $this->isBusy,
        );
    }

    /** Whether who takes part has to be told: another time, place or repeat. */
    public function matters(self $before): bool
    {
        return $this->time->state() !== $before->time->state() || $this->place !== $before->place || $this->repeat !== $before->repeat;
    }

    /** @return list<string> what was otherwise before, each a clause: "it was Fri 27 Nov 2026, 14:00" */
    public function otherwise(self $before): array
    {
        return array_values(array_filter([
            $this->time->state() === $before->time->state() ? '' : 'it was '.$before->time->text(),
            match (true) {
                $this->place === $before->place => '',
                '' === $before->place => 'it says where now',
                default => 'it was in: '.$before->place,
            },
            $this->title === $before->title ? '' : 'it was called “'.$before->title.'”',
            $this->repeat === $before->repeat ? '' : 'it comes again otherwise than before',
        ], static fn (string $clause): bool => '' !== $clause));
    }

    /** @return EventFieldsState */
    public function state(): array
    {
        return [
            'title' => $this->title,
            'time' => $this->time->state(),
            'place' => $this->place,
            'notes' => $this->notes,
            'repeat' => $this->repeat,
            'participants' => array_map(static fn (Participant $one): array => $one->state(), $this->participants),
            'reminders' => array_map(static fn (Reminder $one): array => $one->state(), $this->reminders),
            'busy' => $this->isBusy(),
        ];
    }

    /** @param EventFieldsState $state */
    public static function fromState(array $state): self
    {
        return new self(
            $state['title'],
            EventTime::fromState($state['time']),
            $state['place'],
            $state['notes'],
            $state['repeat'],
            array_map(Participant::fromState(...), $state['participants']),
            array_map(Reminder::fromState(...), $state['reminders']),
            $state['busy'],
        );
    }
}

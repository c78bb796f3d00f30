<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

/**
 * When a reminder comes, as seen from a due or a start: "2 days before", "the morning before".
 *
 * @phpstan-type LeadState array{
 *     months: int, days: int, workingDays: int, minutes: int, after: bool, mark: ?string, time: ?string, of: ?string
 * }
 */
final readonly class Lead
{
    /**
     * @param bool           $isAfter whether it comes later instead of earlier
     * @param DayMark|null   $mark    the part of the day at which it comes
     * @param TimeOfDay|null $time    the same as a time; at most one of both
     * @param Anchor|null    $of      null: the due, or the start when nothing is due
     */
    public function __construct(
        public Span $span,
        public bool $isAfter = false,
        public ?DayMark $mark = null,
        public ?TimeOfDay $time = null,
        public ?Anchor $of = null,
    ) {
    }

    /**
     * The moment at which it comes. Where only days are known, it comes in the morning, unless a time was said.
     *
     * @param \DateTimeZone $zone the person's own; counts where $anchor names none
     *
     * @return Moment|null null outside of the calendar
     */
    public function moment(Due $anchor, \DateTimeZone $zone, TimeSettings $settings): ?Moment
    {
        $direction = $this->isAfter ? 1 : -1;
        $date = $this->span->from($anchor->date, $settings->week, $direction);
        if (null === $date) {
            return null;
        }
        $said = $this->time ?? (null === $this->mark ? null : $settings->at($this->mark));
        $moment = Moment::at($date, $said ?? $anchor->time ?? $settings->at(DayMark::Morning), $anchor->zone ?? $zone);

        return (new Span(minutes: $this->span->minutes))->fromMoment($moment, $settings->week, $direction);
    }

    /** The canonical text: read again, it gives the same. */
    public function text(): string
    {
        $of = null === $this->of ? '' : ' the '.$this->of->value;
        $isDayBefore = 1 === $this->span->days
            && 0 === $this->span->months + $this->span->workingDays + $this->span->minutes
            && !$this->isAfter;
        if ($isDayBefore && null !== $this->mark && DayMark::Noon !== $this->mark) {
            return 'the '.self::part($this->mark).' before'.$of;
        }
        $time = match (true) {
            null !== $this->time => ' at '.$this->time,
            DayMark::Noon === $this->mark => ' at noon',
            DayMark::EndOfDay === $this->mark => ' at the end of day',
            null !== $this->mark => ' in the '.self::part($this->mark),
            default => '',
        };
        if (!$this->span->hasDays() && 0 === $this->span->minutes) {
            return ('' === $time ? 'at the time' : 'on the day').(null === $this->of ? '' : ' of'.$of).$time;
        }

        return $this->span->text().($this->isAfter ? ' after' : ' before').$of.$time;
    }

    /** @return LeadState */
    public function state(): array
    {
        return [
            'months' => $this->span->months,
            'days' => $this->span->days,
            'workingDays' => $this->span->workingDays,
            'minutes' => $this->span->minutes,
            'after' => $this->isAfter,
            'mark' => $this->mark?->value,
            'time' => $this->time?->__toString(),
            'of' => $this->of?->value,
        ];
    }

    /** @param LeadState $state */
    public static function fromState(array $state): self
    {
        return new self(
            new Span($state['months'], $state['days'], $state['workingDays'], $state['minutes']),
            $state['after'],
            null === $state['mark'] ? null : DayMark::from($state['mark']),
            null === $state['time'] ? null : TimeOfDay::parse($state['time']),
            null === $state['of'] ? null : Anchor::from($state['of']),
        );
    }

    private static function part(DayMark $mark): string
    {
        return match ($mark) {
            DayMark::EndOfDay => 'end of day',
            DayMark::Tonight => 'night',
            default => $mark->value,
        };
    }
}

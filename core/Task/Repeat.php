<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\Reading;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Recurrence\Frequency;
use ZippyTray\Core\Time\Recurrence\Rule;
use ZippyTray\Core\Time\Span;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Week;

/**
 * How a task comes again. There is never more than one of it to do: completing or skipping one
 * occurrence leads to the next that is not over yet, however many were missed.
 *
 * @phpstan-type RepeatState array{rrule: string, time: ?string, zone: string, fromCompletion: bool, since: string, on: string}
 */
final readonly class Repeat
{
    /**
     * @param TimeOfDay|null $clock          null: on those days, at no time in particular
     * @param bool           $fromCompletion whether the next one is counted from the day on which this one is completed
     * @param LocalDate      $since          the first day of the series
     * @param LocalDate      $on             the day of the series that the task stands for now, wherever its due was moved
     */
    public function __construct(
        public Rule $rule,
        public ?TimeOfDay $clock,
        public \DateTimeZone $zone,
        public bool $fromCompletion,
        public LocalDate $since,
        public LocalDate $on,
    ) {
    }

    /** The series that a phrase describes, or null when it describes none. */
    public static function of(Reading $reading, \DateTimeZone $zone, bool $fromCompletion = false): ?self
    {
        return null === $reading->rule
            ? null
            : new self($reading->rule, $reading->clock, $zone, $fromCompletion || $reading->fromCompletion, $reading->date, $reading->date);
    }

    public function counted(bool $fromCompletion): self
    {
        return new self($this->rule, $this->clock, $this->zone, $fromCompletion, $this->since, $this->on);
    }

    /** When this occurrence is due. */
    public function due(): Due
    {
        return null === $this->clock ? Due::onDay($this->on) : Due::at($this->on, $this->clock, $this->zone);
    }

    /** The next occurrence that is not over at $now; null when this was the last. */
    public function next(Moment $now): ?self
    {
        $on = $this->fromCompletion ? $this->fromToday($now) : $this->bySchedule($now);
        if (null === $on) {
            return null;
        }
        if (!$this->fromCompletion) {
            return new self($this->rule, $this->clock, $this->zone, false, $this->since, $on);
        }
        $left = null === $this->rule->count ? null : $this->rule->count - 1;

        return 0 === $left ? null : new self($this->rule->ending($left, $this->rule->until), $this->clock, $this->zone, true, $on, $on);
    }

    /** In words: "every weekday at 15:00, from Tue 24 Nov 2026". */
    public function text(): string
    {
        return Reading::ofRepeat($this->rule, $this->since, $this->clock, $this->zone)->text();
    }

    /** @return RepeatState */
    public function state(): array
    {
        return [
            'rrule' => $this->rule->rrule(null === $this->clock ? null : $this->zone),
            'time' => $this->clock?->__toString(),
            'zone' => $this->zone->getName(),
            'fromCompletion' => $this->fromCompletion,
            'since' => (string) $this->since,
            'on' => (string) $this->on,
        ];
    }

    /** @param RepeatState $state */
    public static function fromState(array $state): self
    {
        $zone = Moment::zone($state['zone']);
        $clock = null === $state['time'] ? null : TimeOfDay::parse($state['time']);

        return new self(
            Rule::parse($state['rrule'], null === $clock ? null : $zone),
            $clock,
            $zone,
            $state['fromCompletion'],
            LocalDate::parse($state['since']),
            LocalDate::parse($state['on']),
        );
    }

    private function bySchedule(Moment $now): ?LocalDate
    {
        $today = LocalDate::of($now->instant, $this->zone);
        $from = $this->on->plusDays(1);
        foreach ($this->rule->dates($this->since, $from->isBefore($today) ? $today : $from) as $date) {
            if (null === $this->clock || $date->at($this->clock, $this->zone) > $now->instant) {
                return $date;
            }
        }

        return null;
    }

    /** One interval after the day of completion, or the next of several days that the rule names. */
    private function fromToday(Moment $now): ?LocalDate
    {
        $today = LocalDate::of($now->instant, $this->zone);
        $times = $this->rule->interval;
        $isSeveral = \count($this->rule->days) + \count($this->rule->monthDays) > 1
            && !(null !== $this->rule->position && [] !== $this->rule->monthDays);
        $on = $isSeveral
            ? $this->rule->first($today->plusDays(1))
            : (match ($this->rule->frequency) {
                Frequency::Daily => new Span(days: $times),
                Frequency::Weekly => new Span(days: 7 * $times),
                Frequency::Monthly => new Span(months: $times),
                Frequency::Yearly => new Span(months: 12 * $times),
            })->from($today, new Week());

        return null !== $on && true === $this->rule->until?->isBefore($on) ? null : $on;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Field;

use ZippyTray\Core\Time\Day\Day;
use ZippyTray\Core\Time\Day\DayOfYear;
use ZippyTray\Core\Time\Grammar\ClockTime;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Recurrence\Frequency;
use ZippyTray\Core\Time\Recurrence\NthDay;
use ZippyTray\Core\Time\Recurrence\Rule;
use ZippyTray\Core\Time\Span;
use ZippyTray\Core\Time\Week;

/**
 * A repeat as far as its words were read. What they leave open follows from the day on which it begins.
 */
final readonly class RepeatDraft
{
    /** In days: a beginning without a year that was not longer ago is meant, and not that of the next year. */
    private const BACK = 183;

    /** Greater intervals and counts are slips of the finger. */
    public const MOST = 9999;

    /**
     * @param list<int>    $days           of the week (ISO 8601)
     * @param list<int>    $monthDays
     * @param list<NthDay> $nthDays
     * @param list<int>    $months         of a year, 1 to 12
     * @param Span|null    $length         how long it goes on
     * @param bool         $strict         a day that a month does not have is left out there, instead of its last one being taken
     * @param bool         $fromCompletion whether it counts from the day on which it was done
     */
    public function __construct(
        private Frequency $frequency,
        private int $interval = 1,
        private array $days = [],
        private array $monthDays = [],
        private array $nthDays = [],
        private ?int $position = null,
        private array $months = [],
        private ?ClockTime $clock = null,
        private ?Day $from = null,
        private ?Day $until = null,
        private ?int $count = null,
        private ?Span $length = null,
        private bool $strict = false,
        private bool $fromCompletion = false,
    ) {
    }

    /** Null when it has a time already. */
    public function at(ClockTime $clock): ?self
    {
        return null !== $this->clock ? null : $this->but(['clock' => $clock]);
    }

    public function from(Day $day): ?self
    {
        return null !== $this->from ? null : $this->but(['from' => $day]);
    }

    public function until(Day $day): ?self
    {
        return $this->isBounded() ? null : $this->but(['until' => $day]);
    }

    public function times(int $count): ?self
    {
        return $this->isBounded() ? null : $this->but(['count' => $count]);
    }

    public function lasting(Span $length): ?self
    {
        return $this->isBounded() ? null : $this->but(['length' => $length]);
    }

    public function fromCompletion(): self
    {
        return $this->but(['fromCompletion' => true]);
    }

    /** On days of the week instead; null when it is none that comes every day or on several days of the week. */
    public function except(int ...$days): ?self
    {
        $all = Frequency::Daily === $this->frequency ? [1, 2, 3, 4, 5, 6, 7] : $this->days;
        $left = array_values(array_diff($all, $days));

        return 1 !== $this->interval || [] === $left || !\in_array($this->frequency, [Frequency::Daily, Frequency::Weekly], true)
            ? null
            : $this->but(['frequency' => Frequency::Weekly, 'days' => $left]);
    }

    /** On these days of quarters: "the last" ones are in the month with which a quarter ends, others in that with which it begins. */
    public function ofQuarters(): self
    {
        $which = $this->monthDays[0] ?? $this->nthDays[0]->nth ?? $this->position;
        $months = null !== $which && $which < 0 ? [3, 6, 9, 12] : [1, 4, 7, 10];

        // BYSETPOS counts within the whole year when the rule is yearly (RFC 5545, 3.3.10).
        return $this->but([
            'frequency' => null === $this->position ? Frequency::Yearly : Frequency::Monthly,
            'interval' => 1,
            'months' => $months,
        ]);
    }

    /** Whether it is one at the beginning or the end of a month or quarter, and not a day with a number. */
    public function isAtEdge(): bool
    {
        return [-1] === $this->monthDays || [] !== $this->nthDays;
    }

    public function isWorkingDay(): bool
    {
        return null !== $this->position && [] === $this->monthDays;
    }

    /** Whether the one of this month is past. */
    public function isOver(Moment $now, Week $week): bool
    {
        $today = $now->date();
        $date = $this->rule($today, null, $week)->first($today->plusDays(1 - $today->day()));

        return true === $date?->isBefore($today);
    }

    private function isBounded(): bool
    {
        return null !== $this->until || null !== $this->count || null !== $this->length;
    }

    public function inMonth(int $month): self
    {
        return $this->but(['frequency' => Frequency::Yearly, 'months' => [$month]]);
    }

    public function onlyWhereItIs(): self
    {
        return $this->but(['strict' => true]);
    }

    /** Both days of the month; null when a rule cannot say both. */
    public function with(self $other): ?self
    {
        if (null !== $this->position || null !== $other->position || ([] === $this->monthDays) !== ([] === $other->monthDays)) {
            return null;
        }
        $days = array_values(array_unique([...$this->monthDays, ...$other->monthDays]));
        sort($days);

        return $this->but(['monthDays' => $days, 'nthDays' => [...$this->nthDays, ...$other->nthDays]]);
    }

    /**
     * The reading, and perhaps a second one.
     *
     * @param LocalDate|null $beside a day that is written beside it, from which follows what its words leave open
     *
     * @return list<Reading|string> a sentence with %s for the phrase when it cannot be
     */
    public function readings(Moment $now, Week $week, ?LocalDate $beside = null): array
    {
        if (true === $this->clock?->isMidnight && Frequency::Daily !== $this->frequency) {
            return ['%s: midnight belongs to the following day. Name that day, and 00:00.'];
        }
        $today = $now->date();
        $from = null === $this->from ? $beside ?? $today : self::beginning($this->from, $today);
        if (\is_string($from)) {
            return [$from];
        }
        $until = $this->until?->ahead(null === $this->from ? $today : $from);
        if (null !== $this->until && null === $until) {
            return [$this->until->problem($today)];
        }
        $rule = $this->rule($from, $until, $week);
        $readings = [$this->reading($rule, $from, $now, $week)];
        if (null === $this->from && [] !== $rule->monthDays && null !== $rule->position) {
            // Some months are too short for it; perhaps they are meant to be left out. Who says from when has looked at it.
            $readings[] = $this->reading($this->onlyWhereItIs()->rule($from, $until, $week), $from, $now, $week);
        }

        return $readings;
    }

    /** @return LocalDate|string why there is none */
    private static function beginning(Day $day, LocalDate $today): LocalDate|string
    {
        $ahead = $day->ahead($today);
        $behind = $day instanceof DayOfYear && !$day->isFixed() ? $day->behind($today) : null;

        return null !== $behind && $behind->daysUntil($today) <= self::BACK ? $behind : $ahead ?? $day->problem($today);
    }

    private function reading(Rule $rule, LocalDate $from, Moment $now, Week $week): Reading|string
    {
        $start = $rule->first($from);
        if (null === $start) {
            return '%s never comes to pass.';
        }
        if (null !== $this->length) {
            $end = $this->length->from($start, $week)?->plusDays(-1);
            if (null === $end) {
                return '%s leads out of the calendar.';
            }
            $rule = $rule->ending(null, $end);
        }
        foreach ($rule->dates($start, $from->isBefore($now->date()) ? $now->date() : $from) as $date) {
            if (null === $this->clock || Moment::at($date, $this->clock->time, $now->zone)->instant >= $now->instant) {
                return Reading::ofRepeat($rule, $date, $this->clock?->time, $now->zone, $this->fromCompletion, $this->clock?->until?->time);
            }
        }

        return '%s is over before it begins.';
    }

    private function rule(LocalDate $from, ?LocalDate $until, Week $week): Rule
    {
        $days = match (true) {
            [] !== $this->nthDays => $this->nthDays,
            Frequency::Weekly === $this->frequency => array_map(
                static fn (int $day): NthDay => new NthDay($day),
                [] === $this->days ? [$from->weekday()] : $this->days,
            ),
            default => [],
        };
        $isOfMonth = Frequency::Monthly === $this->frequency || Frequency::Yearly === $this->frequency;
        $monthDays = $isOfMonth && [] === $days && [] === $this->monthDays ? [$from->day()] : $this->monthDays;
        $months = Frequency::Yearly === $this->frequency && [] === $this->months ? [$from->month()] : $this->months;
        $position = $this->position;
        if (Frequency::Monthly === $this->frequency && 1 === \count($monthDays) && $monthDays[0] > 28 && !$this->strict) {
            // The last of these days that a month has.
            [$monthDays, $position] = [range(28, $monthDays[0]), -1];
        }

        return new Rule($this->frequency, $this->interval, $days, $monthDays, $months, $position, $this->count, $until, $week->firstDay);
    }

    /** @param array<string, mixed> $changes by the name of the property */
    private function but(array $changes): self
    {
        /**
         * @var array{
         *     frequency: Frequency, interval: int, days: list<int>, monthDays: list<int>, nthDays: list<NthDay>,
         *     position: ?int, months: list<int>, clock: ?ClockTime, from: ?Day, until: ?Day, count: ?int, length: ?Span,
         *     strict: bool, fromCompletion: bool
         * } $all
         */
        $all = [...get_object_vars($this), ...$changes];

        return new self(...$all);
    }
}

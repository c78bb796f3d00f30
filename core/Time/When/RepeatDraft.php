<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\When;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Repeat\Frequency;
use ZippyTray\Core\Time\Repeat\NthDay;
use ZippyTray\Core\Time\Repeat\Rule;
use ZippyTray\Core\Time\Week;

/**
 * A repeat as far as its words were read. What they leave open follows from the day on which it begins.
 */
final readonly class RepeatDraft
{
    /** Greater intervals and counts are slips of the finger. */
    public const MOST = 9999;

    /**
     * @param list<int>    $days      of the week (ISO 8601)
     * @param list<int>    $monthDays
     * @param list<NthDay> $nthDays
     * @param bool         $strict    a day that a month does not have is left out there, instead of its last one being taken
     */
    public function __construct(
        private Frequency $frequency,
        private int $interval = 1,
        private array $days = [],
        private array $monthDays = [],
        private array $nthDays = [],
        private ?int $position = null,
        private ?int $month = null,
        private ?Clock $clock = null,
        public ?LocalDate $from = null,
        private ?LocalDate $until = null,
        private ?int $count = null,
        private bool $strict = false,
    ) {
    }

    /** Null when it has a time already. */
    public function at(Clock $clock): ?self
    {
        return null !== $this->clock ? null : $this->but(['clock' => $clock]);
    }

    public function from(LocalDate $day): ?self
    {
        return null !== $this->from ? null : $this->but(['from' => $day]);
    }

    public function until(LocalDate $day): ?self
    {
        return null !== $this->until || null !== $this->count ? null : $this->but(['until' => $day]);
    }

    public function times(int $count): ?self
    {
        return null !== $this->until || null !== $this->count ? null : $this->but(['count' => $count]);
    }

    public function inMonth(int $month): self
    {
        return $this->but(['frequency' => Frequency::Yearly, 'month' => $month]);
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
        $from = $this->from ?? $beside ?? $now->date();
        $rule = $this->rule($from, $week);
        $readings = [$this->reading($rule, $from, $now)];
        if (null === $this->from && [] !== $rule->monthDays && null !== $rule->position) {
            // Some months are too short for it; perhaps they are meant to be left out. Who says from when has looked at it.
            $readings[] = $this->reading($this->onlyWhereItIs()->rule($from, $week), $from, $now);
        }

        return $readings;
    }

    private function reading(Rule $rule, LocalDate $from, Moment $now): Reading|string
    {
        $start = $rule->first($from);
        if (null === $start) {
            return '%s never comes to pass.';
        }
        foreach ($rule->dates($start, $from->isBefore($now->date()) ? $now->date() : $from) as $date) {
            if (null === $this->clock || Moment::at($date, $this->clock->time, $now->zone)->instant >= $now->instant) {
                return Reading::ofRepeat($rule, $date, $this->clock?->time, $now->zone);
            }
        }

        return '%s is over before it begins.';
    }

    private function rule(LocalDate $from, Week $week): Rule
    {
        $days = match (true) {
            [] !== $this->nthDays => $this->nthDays,
            Frequency::Weekly === $this->frequency => array_map(static fn (int $day): NthDay => new NthDay($day), [] === $this->days ? [$from->weekday()] : $this->days),
            default => [],
        };
        $isOfMonth = Frequency::Monthly === $this->frequency || Frequency::Yearly === $this->frequency;
        $monthDays = $isOfMonth && [] === $days && [] === $this->monthDays ? [$from->day()] : $this->monthDays;
        $month = Frequency::Yearly === $this->frequency ? $this->month ?? $from->month() : null;
        $position = $this->position;
        if (Frequency::Monthly === $this->frequency && 1 === \count($monthDays) && $monthDays[0] > 28 && !$this->strict) {
            // The last of these days that a month has.
            [$monthDays, $position] = [range(28, $monthDays[0]), -1];
        }

        return new Rule($this->frequency, $this->interval, $days, $monthDays, $month, $position, $this->count, $this->until, $week->firstDay);
    }

    /** @param array<string, mixed> $changes by the name of the property */
    private function but(array $changes): self
    {
        /** @var array{frequency: Frequency, interval: int, days: list<int>, monthDays: list<int>, nthDays: list<NthDay>, position: ?int, month: ?int, clock: ?Clock, from: ?LocalDate, until: ?LocalDate, count: ?int, strict: bool} $all */
        $all = [...get_object_vars($this), ...$changes];

        return new self(...$all);
    }
}

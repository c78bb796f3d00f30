<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Recurrence;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Week;

/**
 * A rule by which days follow one another: the part of RFC 5545, 3.3.10, that when phrases can say.
 * The time of the day is no part of it.
 */
final readonly class Rule
{
    /**
     * @param int            $interval  1 or more
     * @param list<NthDay>   $days      with a number: those of the month
     * @param list<int>      $monthDays 1 to 31, -1 is the last one
     * @param list<int>      $months    1 to 12; of a yearly rule, or of a monthly one that leaves the others out
     * @param int|null       $position  which one of $days within the month (BYSETPOS), -1 is the last one
     * @param int|null       $count     how often; null: for ever, or until $until
     * @param LocalDate|null $until     the last day on which it may be
     * @param int            $weekStart on which day weeks begin (ISO 8601); matters for every so many weeks only
     */
    public function __construct(
        public Frequency $frequency,
        public int $interval = 1,
        public array $days = [],
        public array $monthDays = [],
        public array $months = [],
        public ?int $position = null,
        public ?int $count = null,
        public ?LocalDate $until = null,
        public int $weekStart = 1,
    ) {
    }

    public function ending(?int $count, ?LocalDate $until): self
    {
        return new self(
            $this->frequency,
            $this->interval,
            $this->days,
            $this->monthDays,
            $this->months,
            $this->position,
            $count,
            $until,
            $this->weekStart,
        );
    }

    /** The first day from $from on that fits, whatever the interval; null when none ever does. */
    public function first(LocalDate $from): ?LocalDate
    {
        $every = new self($this->frequency, 1, $this->days, $this->monthDays, $this->months, $this->position, weekStart: $this->weekStart);
        foreach ($every->unlimited($from, $from) as $date) {
            return $date;
        }

        return null;
    }

    /**
     * The days of the series, in order.
     *
     * @param LocalDate      $start its first day, which fits
     * @param LocalDate|null $from  days before it are left out
     *
     * @return iterable<LocalDate>
     */
    public function dates(LocalDate $start, ?LocalDate $from = null): iterable
    {
        $number = 0;
        foreach ($this->unlimited($start, null === $this->count ? $from ?? $start : $start) as $date) {
            if ((null !== $this->until && $this->until->isBefore($date)) || (null !== $this->count && ++$number > $this->count)) {
                return;
            }
            if (null === $from || !$date->isBefore($from)) {
                yield $date;
            }
        }
    }

    /**
     * As RFC 5545 writes it.
     *
     * @param \DateTimeZone|null $zone of a repeat with a time: UNTIL is then the end of that day, in UTC
     */
    public function rrule(?\DateTimeZone $zone = null): string
    {
        $parts = ['FREQ' => $this->frequency->value];
        if ($this->interval > 1) {
            $parts['INTERVAL'] = (string) $this->interval;
        }
        if ([] !== $this->months) {
            $parts['BYMONTH'] = implode(',', $this->months);
        }
        if ([] !== $this->monthDays) {
            $parts['BYMONTHDAY'] = implode(',', $this->monthDays);
        }
        if ([] !== $this->days) {
            $parts['BYDAY'] = implode(',', array_map(strval(...), $this->days));
        }
        if (null !== $this->position) {
            $parts['BYSETPOS'] = (string) $this->position;
        }
        $weekStart = NthDay::CODES[$this->weekStart] ?? 'MO';
        if ('MO' !== $weekStart && Frequency::Weekly === $this->frequency && $this->interval > 1) {
            $parts['WKST'] = $weekStart;
        }
        if (null !== $this->until) {
            $parts['UNTIL'] = null === $zone
                ? $this->until->format('Ymd')
                : $this->until->plusDays(1)->at(TimeOfDay::parse('00:00'), $zone)->modify('-1 second')->format('Ymd\THis\Z');
        }
        if (null !== $this->count) {
            $parts['COUNT'] = (string) $this->count;
        }

        return implode(';', array_map(static fn (string $name, string $value): string => $name.'='.$value, array_keys($parts), $parts));
    }

    /**
     * Reads what rrule() wrote.
     *
     * @throws Refused when it is no rule, or one that is beyond what can be said here
     */
    public static function parse(string $rrule, ?\DateTimeZone $zone = null): self
    {
        $refused = new Refused(\sprintf('"%s" is no rule for a repeat that is known here.', $rrule), 'repeat');
        $parts = [];
        foreach (explode(';', $rrule) as $part) {
            [$name, $value] = explode('=', $part, 2) + [1 => ''];
            $parts[$name] = $value;
        }
        $number = static fn (string $name, int $least, int $most): ?int => !isset($parts[$name]) ? null
            : (1 === preg_match('/^-?\d{1,6}$/D', $parts[$name])
                && (int) $parts[$name] >= $least
                && (int) $parts[$name] <= $most
                && 0 !== (int) $parts[$name]
                    ? (int) $parts[$name]
                    : throw $refused);
        $frequency = Frequency::tryFrom($parts['FREQ'] ?? '') ?? throw $refused;
        if ([] !== array_diff(
            array_keys($parts),
            ['FREQ', 'INTERVAL', 'BYMONTH', 'BYMONTHDAY', 'BYDAY', 'BYSETPOS', 'WKST', 'UNTIL', 'COUNT'],
        )) {
            throw $refused;
        }
        $days = array_map(
            static fn (string $day): NthDay => self::day($day) ?? throw $refused,
            isset($parts['BYDAY']) ? explode(',', $parts['BYDAY']) : [],
        );
        $monthDays = array_map(
            static fn (string $day): int => 1 === preg_match('/^(-1|[1-9]|[12]\d|3[01])$/D', $day) ? (int) $day : throw $refused,
            isset($parts['BYMONTHDAY']) ? explode(',', $parts['BYMONTHDAY']) : [],
        );
        $months = array_map(
            static fn (string $month): int => 1 === preg_match('/^([1-9]|1[0-2])$/D', $month) ? (int) $month : throw $refused,
            isset($parts['BYMONTH']) ? explode(',', $parts['BYMONTH']) : [],
        );
        $weekStart = array_search($parts['WKST'] ?? 'MO', NthDay::CODES, true);
        $rule = new self(
            $frequency,
            $number('INTERVAL', 1, 999_999) ?? 1,
            $days,
            $monthDays,
            $months,
            $number('BYSETPOS', -1, 23),
            $number('COUNT', 1, 999_999),
            isset($parts['UNTIL']) ? self::until($parts['UNTIL'], $zone) ?? throw $refused : null,
            false === $weekStart ? throw $refused : $weekStart,
        );

        return $rule->isComplete() ? $rule : throw $refused;
    }

    /**
     * Days that fit, without end but the calendar's.
     *
     * @param LocalDate $start counts the interval
     *
     * @return iterable<LocalDate> from $from on
     */
    private function unlimited(LocalDate $start, LocalDate $from): iterable
    {
        $days = max(0, $start->daysUntil($from));
        $step = intdiv($days, $this->interval * match ($this->frequency) {
            Frequency::Daily => 1,
            Frequency::Weekly => 7,
            Frequency::Monthly => 31,
            Frequency::Yearly => 366,
        });
        // One step early: a week or a month may have begun before $start.
        for ($step = max(0, $step - 1), $empty = 0; $empty < 5000; ++$step) {
            $found = $this->inPeriod($start, $step);
            if (null === $found) {
                return;
            }
            ++$empty;
            foreach ($found as $date) {
                if (!$date->isBefore($start) && !$date->isBefore($from)) {
                    $empty = 0;
                    yield $date;
                }
            }
        }
    }

    /** @return list<LocalDate>|null null beyond the calendar */
    private function inPeriod(LocalDate $start, int $step): ?array
    {
        $steps = $step * $this->interval;
        $years = $start->year() + intdiv($steps, match ($this->frequency) {
            Frequency::Daily => 365,
            Frequency::Weekly => 52,
            Frequency::Monthly => 12,
            Frequency::Yearly => 1,
        });
        if ($years >= 9998) {
            return null;
        }
        if (Frequency::Daily === $this->frequency) {
            return [$start->plusDays($steps)];
        }
        if (Frequency::Weekly === $this->frequency) {
            $week = new Week($this->weekStart);
            $found = array_map(
                static fn (NthDay $day): LocalDate => $week->dayIn($start->plusDays(7 * $steps), $day->weekday),
                $this->days,
            );
        } else {
            $first = $start->plusDays(1 - $start->day());
            $begins = Frequency::Monthly === $this->frequency
                ? array_filter(
                    [$first->plusMonths($steps)],
                    fn (LocalDate $month): bool => [] === $this->months || \in_array($month->month(), $this->months, true),
                )
                : array_map(static fn (int $month): ?LocalDate => LocalDate::on($start->year() + $steps, $month, 1), $this->months);
            $found = array_merge(...array_map($this->inMonth(...), array_values(array_filter($begins))));
        }
        usort($found, static fn (LocalDate $a, LocalDate $b): int => (string) $a <=> (string) $b);

        return $found;
    }

    /** @return list<LocalDate> */
    private function inMonth(LocalDate $first): array
    {
        $days = [];
        foreach ($this->monthDays as $number) {
            $days[] = $number > 0 ? LocalDate::on($first->year(), $first->month(), $number) : $first->endOfMonth();
        }
        foreach ($this->days as $day) {
            array_push($days, ...$day->in($first));
        }
        $days = array_values(array_filter($days));
        if (null === $this->position) {
            return $days;
        }
        usort($days, static fn (LocalDate $a, LocalDate $b): int => (string) $a <=> (string) $b);

        return \array_slice($days, $this->position > 0 ? $this->position - 1 : $this->position, 1);
    }

    /** Whether it says by itself on which days it is. */
    private function isComplete(): bool
    {
        return match ($this->frequency) {
            Frequency::Daily => [] === $this->days && [] === $this->monthDays && [] === $this->months && null === $this->position,
            Frequency::Weekly => [] !== $this->days
                && [] === $this->monthDays
                && [] === $this->months
                && null === $this->position
                && [] === array_filter($this->days, static fn (NthDay $day): bool => null !== $day->nth),
            Frequency::Monthly => [] !== $this->days || [] !== $this->monthDays,
            Frequency::Yearly => [] !== $this->months && ([] !== $this->days || [] !== $this->monthDays),
        };
    }

    private static function day(string $text): ?NthDay
    {
        $weekday = array_search(substr($text, -2), NthDay::CODES, true);
        $nth = substr($text, 0, -2);

        return false === $weekday || 1 !== preg_match('/^(-1|\+?[1-5])?$/D', $nth)
            ? null
            : new NthDay($weekday, '' === $nth ? null : (int) $nth);
    }

    private static function until(string $text, ?\DateTimeZone $zone): ?LocalDate
    {
        if (1 === preg_match('/^\d{8}$/D', $text)) {
            return LocalDate::on((int) substr($text, 0, 4), (int) substr($text, 4, 2), (int) substr($text, 6));
        }
        $instant = \DateTimeImmutable::createFromFormat('!Ymd\THis\Z', $text, new \DateTimeZone('UTC'));

        return false === $instant ? null : LocalDate::of($instant, $zone ?? new \DateTimeZone('UTC'));
    }
}

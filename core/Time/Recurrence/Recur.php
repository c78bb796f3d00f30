<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Recurrence;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Week;

/**
 * How something comes again, as calendars write it (RFC 5545, 3.3.10, RECUR), as far as it is about days: hours, minutes and seconds are
 * no part of it. In each period (a day, a week, a month, a year) all days are looked at, and those stay that every part agrees with; of
 * these BYSETPOS picks some.
 */
final readonly class Recur
{
    /** Days that are looked at in vain before it is taken that no more come: a day of the year meets a day of the week within 40 years. */
    private const IN_VAIN = 15_000;

    private const MOST_TIMES = 10_000;

    private const MOST_BETWEEN = 10_000;

    private const PARTS = [
        'FREQ', 'INTERVAL', 'COUNT', 'UNTIL', 'WKST', 'BYMONTH', 'BYWEEKNO', 'BYYEARDAY', 'BYMONTHDAY', 'BYDAY', 'BYSETPOS', 'BYHOUR',
        'BYMINUTE', 'BYSECOND',
    ];

    /**
     * @param list<int>               $months
     * @param list<int>               $weeks     of the year (ISO 8601, but with $weekStart), from 1 on or from -1 backwards
     * @param list<int>               $yearDays  from 1 on or from -1 backwards
     * @param list<int>               $monthDays likewise
     * @param list<NthDay>            $days
     * @param list<int>               $positions within what is left of a period, likewise
     * @param \DateTimeImmutable|null $end       the instant at which the last may begin; null: told by $until, which is that day
     */
    private function __construct(
        public Frequency $frequency,
        public int $interval,
        public ?int $count,
        public ?LocalDate $until,
        public ?\DateTimeImmutable $end,
        private int $weekStart,
        private array $months,
        private array $weeks,
        private array $yearDays,
        private array $monthDays,
        private array $days,
        private array $positions,
    ) {
    }

    /**
     * @param \DateTimeZone  $zone in which the series is meant; the day of UNTIL is told there
     * @param TimeOfDay|null $time of each; a rule that names another time, or several, is refused
     *
     * @throws Refused when it is no rule, or one that is not about days alone
     */
    public static function parse(string $text, \DateTimeZone $zone, ?TimeOfDay $time = null): self
    {
        $refused = new Refused(\sprintf('"%s" is no rule for a repeat that is known here.', mb_strimwidth($text, 0, 200, '…')), 'repeat');
        $parts = [];
        foreach (explode(';', strtoupper(trim($text, "; \t"))) as $part) {
            [$name, $value] = explode('=', $part, 2) + [1 => ''];
            $parts[trim($name)] = trim($value);
        }
        if (\strlen($text) > 2000 || [] !== array_diff(array_keys($parts), self::PARTS)) {
            throw $refused;
        }
        $time ??= TimeOfDay::parse('00:00');
        foreach (['BYHOUR' => '%H', 'BYMINUTE' => '%I', 'BYSECOND' => null] as $name => $pattern) {
            $is = match ($pattern) {
                '%H' => (int) substr((string) $time, 0, 2), '%I' => (int) substr((string) $time, 3, 2), null => 0
            };
            if (isset($parts[$name]) && (!ctype_digit($parts[$name]) || (int) $parts[$name] !== $is)) {
                throw $refused;
            }
        }
        $numbers = static fn (string $name, int $most, bool $back = true): array => self::numbers($parts[$name] ?? '', $most, $back)
            ?? throw $refused;
        $interval = $numbers('INTERVAL', self::MOST_BETWEEN, false);
        $count = $numbers('COUNT', self::MOST_TIMES, false);
        $weekStart = array_search($parts['WKST'] ?? 'MO', NthDay::CODES, true);
        [$until, $end] = isset($parts['UNTIL']) ? self::until($parts['UNTIL'], $zone) ?? throw $refused : [null, null];

        return new self(
            Frequency::tryFrom($parts['FREQ'] ?? '') ?? throw $refused,
            \count($interval) > 1 ? throw $refused : $interval[0] ?? 1,
            \count($count) > 1 ? throw $refused : $count[0] ?? null,
            $until,
            $end,
            false === $weekStart ? throw $refused : $weekStart,
            $numbers('BYMONTH', 12, false),
            $numbers('BYWEEKNO', 53),
            $numbers('BYYEARDAY', 366),
            $numbers('BYMONTHDAY', 31),
            array_map(
                static fn (string $day): NthDay => self::day($day) ?? throw $refused,
                '' === ($parts['BYDAY'] ?? '') ? [] : explode(',', $parts['BYDAY']),
            ),
            $numbers('BYSETPOS', 366),
        );
    }

    /**
     * The days of the series, in order.
     *
     * @param LocalDate      $start its first day, which is one of it whatever the rule says (RFC 5545, 3.8.5.3)
     * @param LocalDate|null $from  days before it are left out
     * @param LocalDate|null $until days after it are left out, and not looked for
     *
     * @return iterable<LocalDate>
     */
    public function dates(LocalDate $start, ?LocalDate $from = null, ?LocalDate $until = null): iterable
    {
        $from ??= $start;
        if (true === $until?->isBefore($start)) {
            return;
        }
        $until = null === $until || true === $this->until?->isBefore($until) ? $this->until : $until;
        if (!$start->isBefore($from)) {
            yield $start;
        }
        $number = 1;
        $skip = null === $this->count && $start->isBefore($from) ? $from : $start;
        foreach ($this->unlimited($start, $skip, $until) as $date) {
            if (true === $until?->isBefore($date) || (null !== $this->count && ++$number > $this->count)) {
                return;
            }
            if (!$date->isBefore($from)) {
                yield $date;
            }
        }
    }

    /**
     * The same rule for a series that begins so many days later (or earlier): its days of the week, and its end, go along.
     *
     * @param string $rule one that parse() takes
     *
     * @throws Refused when it names days that do not go along: of a month, of a year, or the third Monday
     */
    public static function moved(string $rule, int $days): string
    {
        $parts = [];
        foreach (0 === $days ? [] : explode(';', strtoupper($rule)) as $part) {
            [$name, $value] = explode('=', $part, 2) + [1 => ''];
            $parts[] = match (true) {
                'BYDAY' === $name && 1 === preg_match('/^[A-Z,]+$/', $value) => 'BYDAY='.implode(',', array_map(
                    static fn (string $day): string => NthDay::CODES[
                        ((int) array_search($day, NthDay::CODES, true) + $days % 7 + 6) % 7 + 1
                    ],
                    explode(',', $value),
                )),
                'UNTIL' === $name => 'UNTIL='.str_replace('-', '', (string) LocalDate::parse(
                    substr($value, 0, 4).'-'.substr($value, 4, 2).'-'.substr($value, 6, 2),
                )->plusDays($days)),
                \in_array($name, ['FREQ', 'INTERVAL', 'COUNT', 'WKST', 'BYHOUR', 'BYMINUTE', 'BYSECOND'], true) => $part,
                default => throw new Refused('All of them come on days of their own: write anew when they come again.', 'repeat'),
            };
        }

        return [] === $parts ? $rule : implode(';', $parts);
    }

    /** @return iterable<LocalDate> that fit and come after $start, from $from on; of the period of $until some may come after it */
    private function unlimited(LocalDate $start, LocalDate $from, ?LocalDate $until): iterable
    {
        $rule = $this->completed($start);
        $length = match ($this->frequency) {
            Frequency::Daily => 1,
            Frequency::Weekly => 7,
            Frequency::Monthly => 31,
            Frequency::Yearly => 366,
        };
        $step = max(0, intdiv(max(0, $start->daysUntil($from)), $this->interval * $length) - 1);
        for ($looked = 0; $looked < self::IN_VAIN; ++$step) {
            $first = $rule->begin($start, $step * $this->interval);
            if (null === $first || true === $until?->isBefore($first)) {
                return;
            }
            $days = $rule->period($first);
            $looked += 1 + \count($days);
            $found = $rule->picked(array_values(array_filter($days, $rule->fits(...))));
            foreach ($found as $date) {
                if ($start->isBefore($date) && !$date->isBefore($from)) {
                    $looked = 0;
                    yield $date;
                }
            }
        }
    }

    /** What a rule does not say follows from its first day. */
    private function completed(LocalDate $start): self
    {
        [$months, $monthDays, $days] = [$this->months, $this->monthDays, $this->days];
        $saysDays = [] !== $monthDays || [] !== $days || [] !== $this->yearDays;
        if (Frequency::Daily !== $this->frequency && !$saysDays) {
            if (Frequency::Weekly === $this->frequency || [] !== $this->weeks) {
                $days = [new NthDay($start->weekday())];
            } else {
                $monthDays = [$start->day()];
                $months = [] === $months && Frequency::Yearly === $this->frequency ? [$start->month()] : $months;
            }
        }

        return new self(
            $this->frequency,
            $this->interval,
            $this->count,
            $this->until,
            $this->end,
            $this->weekStart,
            $months,
            $this->weeks,
            $this->yearDays,
            $monthDays,
            $days,
            $this->positions,
        );
    }

    /** The first day of a period; null beyond the calendar. */
    private function begin(LocalDate $start, int $steps): ?LocalDate
    {
        $years = match ($this->frequency) {
            Frequency::Daily => intdiv($steps, 365),
            Frequency::Weekly => intdiv($steps, 52),
            Frequency::Monthly => intdiv($steps, 12),
            Frequency::Yearly => $steps,
        };
        if ($start->year() + $years >= 9998) {
            return null;
        }

        return match ($this->frequency) {
            Frequency::Daily => $start->plusDays($steps),
            Frequency::Weekly => (new Week($this->weekStart))->startOf($start)->plusDays(7 * $steps),
            Frequency::Monthly => $start->plusDays(1 - $start->day())->plusMonths($steps),
            Frequency::Yearly => [] === $this->weeks
                ? LocalDate::on($start->year() + $steps, 1, 1)
                : $this->firstWeek($start->year() + $steps),
        };
    }

    /** @return list<LocalDate> the days of a period, those left out that cannot fit */
    private function period(LocalDate $first): array
    {
        return match ($this->frequency) {
            Frequency::Daily => [$first],
            Frequency::Weekly => self::run($first, 7),
            Frequency::Monthly => $this->month($first),
            Frequency::Yearly => [] === $this->weeks
                ? array_merge(...array_map(fn (int $months): array => $this->month($first->plusMonths($months)), range(0, 11)))
                : self::run($first, $first->daysUntil($this->firstWeek($first->plusDays(3)->year() + 1))),
        };
    }

    /** @return list<LocalDate> */
    private function month(LocalDate $first): array
    {
        return [] === $this->months || \in_array($first->month(), $this->months, true)
            ? self::run($first, $first->endOfMonth()->day())
            : [];
    }

    /** @return list<LocalDate> */
    private static function run(LocalDate $first, int $count): array
    {
        return array_map(static fn (int $number): LocalDate => $first->plusDays($number), range(0, $count - 1));
    }

    /** The first day of the first week with four days or more in the year. */
    private function firstWeek(int $year): LocalDate
    {
        $fourth = LocalDate::on($year, 1, 4) ?? throw new \LogicException('Each year has a fourth of January.');

        return (new Week($this->weekStart))->startOf($fourth);
    }

    private function fits(LocalDate $date): bool
    {
        if ([] !== $this->months && !\in_array($date->month(), $this->months, true)) {
            return false;
        }
        $isIn = static fn (array $wanted, int $number, int $of): bool => [] === $wanted
            || \in_array($number, $wanted, true)
            || \in_array($number - $of - 1, $wanted, true);
        if (!$isIn($this->monthDays, $date->day(), [] === $this->monthDays ? 0 : $date->endOfMonth()->day())) {
            return false;
        }
        if ([] !== $this->yearDays && !$isIn($this->yearDays, ...self::inYear($date))) {
            return false;
        }
        if ([] !== $this->weeks && Frequency::Yearly === $this->frequency && !$isIn($this->weeks, ...$this->week($date))) {
            return false;
        }

        return [] === $this->days || [] !== array_filter($this->days, fn (NthDay $day): bool => $this->isOn($day, $date));
    }

    private function isOn(NthDay $day, LocalDate $date): bool
    {
        if ($day->weekday !== $date->weekday()) {
            return false;
        }
        if (null === $day->nth || Frequency::Daily === $this->frequency || Frequency::Weekly === $this->frequency) {
            return true;
        }
        [$number, $of] = Frequency::Monthly === $this->frequency || [] !== $this->months
            ? [$date->day(), $date->endOfMonth()->day()]
            : self::inYear($date);

        return $day->nth > 0 ? intdiv($number - 1, 7) + 1 === $day->nth : intdiv($of - $number, 7) + 1 === -$day->nth;
    }

    /** @return array{int, int} which day of the year it is, and of how many */
    private static function inYear(LocalDate $date): array
    {
        $first = LocalDate::on($date->year(), 1, 1) ?? $date;
        $next = LocalDate::on($date->year() + 1, 1, 1) ?? $date;

        return [$first->daysUntil($date) + 1, $first->daysUntil($next)];
    }

    /** @return array{int, int} which week of its year it is in, and of how many */
    private function week(LocalDate $date): array
    {
        $year = (new Week($this->weekStart))->startOf($date)->plusDays(3)->year();
        $first = $this->firstWeek($year);

        return [intdiv($first->daysUntil($date), 7) + 1, intdiv($first->daysUntil($this->firstWeek($year + 1)), 7)];
    }

    /**
     * @param list<LocalDate> $dates of one period, in order
     *
     * @return list<LocalDate>
     */
    private function picked(array $dates): array
    {
        if ([] === $this->positions) {
            return $dates;
        }
        $places = array_unique(array_map(
            static fn (int $position): int => $position > 0 ? $position - 1 : \count($dates) + $position,
            $this->positions,
        ));
        sort($places);

        return array_values(array_filter(array_map(static fn (int $place): ?LocalDate => $dates[$place] ?? null, $places)));
    }

    /** @return list<int>|null null: one is none, or beyond $most */
    private static function numbers(string $text, int $most, bool $back): ?array
    {
        $numbers = [];
        foreach ('' === $text ? [] : explode(',', $text) as $number) {
            if (1 !== preg_match('/^[+-]?\d{1,6}$/D', $number) || 0 === (int) $number
                || abs((int) $number) > $most || (!$back && (int) $number < 0)) {
                return null;
            }
            $numbers[] = (int) $number;
        }

        return $numbers;
    }

    private static function day(string $text): ?NthDay
    {
        $weekday = array_search(substr($text, -2), NthDay::CODES, true);
        $nth = substr($text, 0, -2);
        if (false === $weekday || 1 !== preg_match('/^([+-]?\d{1,2})?$/D', $nth)) {
            return null;
        }
        $number = '' === $nth ? null : (int) $nth;

        return 0 === $number || abs($number ?? 1) > 53 ? null : new NthDay($weekday, $number);
    }

    /** @return array{LocalDate, \DateTimeImmutable|null}|null */
    private static function until(string $text, \DateTimeZone $zone): ?array
    {
        if (1 === preg_match('/^\d{8}$/D', $text)) {
            $day = LocalDate::on((int) substr($text, 0, 4), (int) substr($text, 4, 2), (int) substr($text, 6));

            return null === $day ? null : [$day, null];
        }
        $isUtc = str_ends_with($text, 'Z');
        $instant = \DateTimeImmutable::createFromFormat('!Ymd\THis', rtrim($text, 'Z'), $isUtc ? new \DateTimeZone('UTC') : $zone);

        return false === $instant ? null : [LocalDate::of($instant, $zone), $instant];
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

/**
 * A length of time as people say it: "2 weeks", "3 working days", "an hour and a half".
 */
final readonly class Span
{
    /** Longer ones lead out of the calendar anyway. */
    private const MOST = 5_000_000;

    /** All of them 0 or more; a day is a day of the calendar, however many hours it has. */
    public function __construct(public int $months = 0, public int $days = 0, public int $workingDays = 0, public int $minutes = 0)
    {
    }

    public function and(self $more): self
    {
        return new self(
            $this->months + $more->months,
            $this->days + $more->days,
            $this->workingDays + $more->workingDays,
            $this->minutes + $more->minutes,
        );
    }

    public function hasDays(): bool
    {
        return $this->months > 0 || $this->days > 0 || $this->workingDays > 0;
    }

    /**
     * The day that lies so far from $date; hours and minutes do not count.
     *
     * @param int $direction 1 later, -1 earlier
     *
     * @return LocalDate|null null beyond the years 1 to 9999
     */
    public function from(LocalDate $date, Week $week, int $direction = 1): ?LocalDate
    {
        $days = $this->days + intdiv($this->workingDays, \count($week->workingDays)) * 7;
        $year = $date->year() + $direction * (intdiv($this->months, 12) + intdiv($days, 365) + 2);
        if (max($this->months, $this->days, $this->workingDays) > self::MOST || $year < 1 || $year > 9999) {
            return null;
        }

        return $week->plusWorkingDays(
            $date->plusMonths($direction * $this->months)->plusDays($direction * $this->days),
            $direction * $this->workingDays,
        );
    }

    /**
     * The moment that lies so far from $moment: first days, on the wall clock, then hours and minutes as they pass.
     *
     * @param int $direction 1 later, -1 earlier
     */
    public function fromMoment(Moment $moment, Week $week, int $direction = 1): ?Moment
    {
        $date = $this->from($moment->date(), $week, $direction);
        if (null === $date || $this->minutes > self::MOST) {
            return null;
        }
        $start = $this->hasDays() ? $date->at($moment->time(), $moment->zone) : $moment->instant;

        return new Moment($start->modify(\sprintf('%+d minutes', $direction * $this->minutes)), $moment->zone);
    }

    /** "2 weeks", "3 working days and 1 hour". */
    public function text(): string
    {
        $parts = [];
        foreach ([
            ...self::counted($this->months, [[12, 'year'], [1, 'month']]),
            ...self::counted($this->days, [[7, 'week'], [1, 'day']]),
            ...self::counted($this->workingDays, [[1, 'working day']]),
            ...self::counted($this->minutes, [[60, 'hour'], [1, 'minute']]),
        ] as [$count, $unit]) {
            $parts[] = \sprintf('%d %s%s', $count, $unit, 1 === $count ? '' : 's');
        }
        $last = array_pop($parts) ?? '0 minutes';

        return [] === $parts ? $last : implode(', ', $parts).' and '.$last;
    }

    /**
     * @param list<array{int, string}> $units biggest first
     *
     * @return list<array{int, string}> count and unit
     */
    private static function counted(int $amount, array $units): array
    {
        $counted = [];
        foreach ($units as [$size, $unit]) {
            // "10 days" stays what it is; only whole weeks are weeks.
            if ($size > 1 && 'week' === $unit && 0 !== $amount % $size) {
                continue;
            }
            if (intdiv($amount, $size) > 0) {
                $counted[] = [intdiv($amount, $size), $unit];
            }
            $amount %= $size;
        }

        return $counted;
    }
}

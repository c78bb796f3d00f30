<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * A day of a month that is named, but not the day: "January", "mid December", "the end of March 2027". Also that of
 * several months in a row.
 */
final readonly class OfMonth extends Day
{
    /**
     * @param int $month  1 to 12; the first of them
     * @param int $months how many there are
     */
    public function __construct(private int $month, private Edge $edge, private ?Year $year = null, private int $months = 1)
    {
    }

    public function ahead(LocalDate $today): ?LocalDate
    {
        $day = $this->in($this->year?->of($today) ?? $today->year());

        return null === $this->year && true === $day?->isBefore($today) ? $this->in($today->year() + 1) : $day;
    }

    public function behind(LocalDate $today): ?LocalDate
    {
        $day = $this->in($this->year?->of($today) ?? $today->year());

        return null === $this->year && null !== $day && $today->isBefore($day) ? $this->in($today->year() - 1) : $day;
    }

    public function isFixed(): bool
    {
        return null !== $this->year;
    }

    private function in(int $year): ?LocalDate
    {
        $first = LocalDate::on($year, $this->month, 1);

        return match ($this->edge) {
            Edge::Begin => $first,
            Edge::Middle => $first?->plusMonths(intdiv($this->months, 2))->plusDays(14),
            Edge::Late => 1 === $this->months ? $first?->plusDays(24) : $first?->plusMonths($this->months - 1),
            Edge::End => $first?->plusMonths($this->months - 1)->endOfMonth(),
        };
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Week;

/**
 * A day of this week, month, quarter or year, or of one of the next ones.
 */
final readonly class Period extends Day
{
    /**
     * @param Unit $unit  a week, month, quarter or year
     * @param int  $ahead 0: this one, 1: the next one
     * @param bool $isThe "the middle of the month": the coming one, when that of this month is over
     */
    public function __construct(
        private Unit $unit,
        private Edge $edge,
        private int $ahead,
        private Week $week = new Week(),
        private bool $isThe = false,
    ) {
    }

    public function ahead(LocalDate $today): LocalDate
    {
        $date = $this->of($today, $this->ahead);

        return $this->isThe && $date->isBefore($today) ? $this->of($today, $this->ahead + 1) : $date;
    }

    private function of(LocalDate $today, int $ahead): LocalDate
    {
        $month = $today->plusDays(1 - $today->day());

        return match ($this->unit) {
            Unit::Month => $this->inMonths($month->plusMonths($ahead), 1),
            Unit::Quarter => $this->inMonths($month->plusMonths(3 * $ahead - ($today->month() - 1) % 3), 3),
            Unit::Year => $this->inMonths($month->plusMonths(12 * $ahead - ($today->month() - 1)), 12),
            default => $this->inWeek($today, $ahead),
        };
    }

    private function inMonths(LocalDate $first, int $months): LocalDate
    {
        $last = $first->plusMonths($months - 1);

        return match ($this->edge) {
            Edge::Begin => $first,
            Edge::Middle => 12 === $months ? $first->plusMonths(6) : $first->plusMonths(intdiv($months, 2))->plusDays(14),
            Edge::Late => 1 === $months ? $first->plusDays(24) : $last,
            Edge::End => $last->endOfMonth(),
        };
    }

    private function inWeek(LocalDate $today, int $ahead): LocalDate
    {
        $there = $today->plusDays(7 * $ahead);
        if (Edge::Begin === $this->edge) {
            return $this->week->startOf($there);
        }
        if (Edge::Middle === $this->edge) {
            return $this->week->middleWorkingDay($there);
        }

        return 0 === $ahead ? $this->week->end($today) : $this->week->lastWorkingDay($there);
    }
}

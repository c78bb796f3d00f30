<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * "the 15th": the coming one, today included.
 */
final readonly class DayOfMonth implements Day
{
    /**
     * @param int|null $weekday "Friday the 15th" is one that is a Friday (ISO 8601)
     * @param int      $ahead   "the 15th of next month" is that of so many months on
     */
    public function __construct(private int $day, private ?int $weekday = null, private int $ahead = 0)
    {
    }

    public function ahead(LocalDate $today): ?LocalDate
    {
        return $this->find($today, 1, $this->ahead);
    }

    public function behind(LocalDate $today): ?LocalDate
    {
        return $this->find($today, -1, 0);
    }

    public function isFixed(): bool
    {
        return $this->ahead > 0;
    }

    private function find(LocalDate $today, int $direction, int $from): ?LocalDate
    {
        $first = LocalDate::on($today->year(), $today->month(), 1);
        for ($months = $from; $months < $from + 12; ++$months) {
            $month = $first?->plusMonths($direction * $months);
            $date = null === $month ? null : LocalDate::on($month->year(), $month->month(), $this->day);
            $isThere = null !== $date && ($direction > 0 ? !$date->isBefore($today) : !$today->isBefore($date));
            if ($isThere && (null === $this->weekday || $date->weekday() === $this->weekday)) {
                return $date;
            }
        }

        return null;
    }
}

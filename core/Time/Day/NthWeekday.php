<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * "the first Monday of January", "the last Friday of the month": the coming one.
 */
final readonly class NthWeekday implements Day
{
    /**
     * @param int      $nth     from 1 on; -1 is the last one
     * @param int      $weekday 1 is Monday (ISO 8601)
     * @param int|null $month   null: this month, or the next one when it is over
     * @param int      $ahead   with no month: so many months on
     */
    public function __construct(private int $nth, private int $weekday, private ?int $month, private int $ahead = 0)
    {
    }

    public function ahead(LocalDate $today): ?LocalDate
    {
        for ($months = $this->ahead; $months < 36; ++$months) {
            $first = $today->plusDays(1 - $today->day())->plusMonths($months);
            $date = null === $this->month || $first->month() === $this->month ? $this->in($first) : null;
            if (null !== $date && !$date->isBefore($today)) {
                return $date;
            }
        }

        return null;
    }

    public function behind(LocalDate $today): ?LocalDate
    {
        return null;
    }

    public function isFixed(): bool
    {
        return false;
    }

    private function in(LocalDate $first): ?LocalDate
    {
        if ($this->nth < 0) {
            $last = $first->endOfMonth();

            return $last->plusDays(-(($last->weekday() - $this->weekday + 7) % 7));
        }
        $date = $first->plusDays(($this->weekday - $first->weekday() + 7) % 7 + 7 * ($this->nth - 1));

        return $date->month() === $first->month() ? $date : null;
    }
}

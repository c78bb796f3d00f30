<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Week;

/**
 * "Before Friday", "after Friday": the next working day on that side of it.
 */
final readonly class WorkingDayBeside extends Day
{
    /** @param int $direction 1 after it, -1 before it */
    public function __construct(private Day $day, private int $direction, private Week $week)
    {
    }

    public function ahead(LocalDate $today): ?LocalDate
    {
        return $this->beside($this->day->ahead($today));
    }

    public function behind(LocalDate $today): ?LocalDate
    {
        return $this->beside($this->day->behind($today));
    }

    public function isFixed(): bool
    {
        return $this->day->isFixed();
    }

    public function problem(LocalDate $today): string
    {
        return $this->day->problem($today);
    }

    private function beside(?LocalDate $date): ?LocalDate
    {
        return null === $date ? null : $this->week->plusWorkingDays($date, $this->direction);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * "a week from Friday", "two days before the 15th".
 */
final readonly class After implements Day
{
    public function __construct(private Day $day, private int $count, private Unit $unit)
    {
    }

    public function ahead(LocalDate $today): ?LocalDate
    {
        $date = $this->day->ahead($today);

        return null === $date ? null : $this->unit->add($date, $this->count);
    }

    public function behind(LocalDate $today): ?LocalDate
    {
        $date = $this->day->behind($today);

        return null === $date ? null : $this->unit->add($date, $this->count);
    }

    public function isFixed(): bool
    {
        return $this->day->isFixed();
    }
}

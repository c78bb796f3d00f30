<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * "today", "tomorrow", "in 3 days", "two weeks ago", "within ten working days".
 */
final readonly class FromToday implements Day
{
    /** @param int $count negative: ago */
    public function __construct(private int $count, private Unit $unit = Unit::Day)
    {
    }

    public function ahead(LocalDate $today): LocalDate
    {
        return $this->unit->add($today, $this->count);
    }

    public function behind(LocalDate $today): LocalDate
    {
        return $this->ahead($today);
    }

    public function isFixed(): bool
    {
        return true;
    }
}

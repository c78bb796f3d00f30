<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Week;

/**
 * The Saturday of a weekend.
 */
final readonly class Weekend extends Day
{
    /** @param int $ahead 0: the coming one, today included; 1: that of next week */
    public function __construct(private int $ahead, private Week $week = new Week())
    {
    }

    public function ahead(LocalDate $today): LocalDate
    {
        return 0 === $this->ahead
            ? $today->plusDays((6 - $today->weekday() + 7) % 7)
            : $this->week->dayIn($today->plusDays(7 * $this->ahead), 6);
    }
}

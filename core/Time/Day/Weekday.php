<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * "Friday": the coming one, strictly after today; "next Friday": the one in the week after this one;
 * "last Friday": the one before today.
 */
final readonly class Weekday implements Day
{
    /**
     * @param int  $weekday 1 is Monday, 7 is Sunday (ISO 8601)
     * @param int  $week    0: the coming one; 1: that of next week; -1: the last one
     * @param int  $later   so many weeks after that
     * @param bool $isThis  "this Friday", which is never a past one
     */
    public function __construct(private int $weekday, private int $week = 0, private int $later = 0, private bool $isThis = false)
    {
    }

    public function ahead(LocalDate $today): LocalDate
    {
        $date = match ($this->week) {
            1 => $today->plusDays(7 - $today->weekday() + $this->weekday),
            -1 => $this->behind($today),
            default => $today->plusDays(($this->weekday - $today->weekday() + 6) % 7 + 1),
        };

        return $date->plusDays(7 * $this->later);
    }

    public function behind(LocalDate $today): LocalDate
    {
        return $today->plusDays(-(($today->weekday() - $this->weekday + 6) % 7 + 1));
    }

    public function isFixed(): bool
    {
        return 0 !== $this->week || 0 !== $this->later || $this->isThis;
    }
}

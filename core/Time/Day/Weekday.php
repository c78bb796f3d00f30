<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * "Friday": the coming one, or the last one.
 */
final readonly class Weekday extends Day
{
    /**
     * @param int  $weekday 1 is Monday, 7 is Sunday (ISO 8601)
     * @param bool $isLast  "last Friday"
     * @param bool $isThis  "this Friday", which is never a past one
     */
    public function __construct(private int $weekday, private bool $isLast = false, private bool $isThis = false)
    {
    }

    public function ahead(LocalDate $today): LocalDate
    {
        return $this->isLast ? $this->behind($today) : $today->plusDays(($this->weekday - $today->weekday() + 6) % 7 + 1);
    }

    public function behind(LocalDate $today): LocalDate
    {
        return $today->plusDays(-(($today->weekday() - $this->weekday + 6) % 7 + 1));
    }

    public function isFixed(): bool
    {
        return $this->isLast || $this->isThis;
    }
}

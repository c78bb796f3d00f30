<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Span;
use ZippyTray\Core\Time\Week;

/**
 * A day that is counted from another one: "a week from Friday", "2 days before 1 December".
 */
final readonly class After extends Day
{
    /** @param int $direction 1 later, -1 earlier */
    public function __construct(private Day $day, private Span $span, private int $direction = 1, private Week $week = new Week())
    {
    }

    public function ahead(LocalDate $today): ?LocalDate
    {
        return $this->counted($this->day->ahead($today));
    }

    public function behind(LocalDate $today): ?LocalDate
    {
        return $this->counted($this->day->behind($today));
    }

    public function isFixed(): bool
    {
        return $this->day->isFixed();
    }

    public function problem(LocalDate $today): string
    {
        return null === $this->day->ahead($today) ? $this->day->problem($today) : parent::problem($today);
    }

    private function counted(?LocalDate $date): ?LocalDate
    {
        return null === $date ? null : $this->span->from($date, $this->week, $this->direction);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Span;
use ZippyTray\Core\Time\Week;

/**
 * A day that is counted from today: "in 3 days", "two weeks ago".
 */
final readonly class FromToday extends Day
{
    /** @param int $direction 1 later, -1 earlier */
    public function __construct(private Span $span, private int $direction = 1, private Week $week = new Week())
    {
    }

    /** @param int $days negative: ago */
    public static function days(int $days): self
    {
        return new self(new Span(days: abs($days)), $days < 0 ? -1 : 1);
    }

    public function ahead(LocalDate $today): ?LocalDate
    {
        return $this->span->from($today, $this->week, $this->direction);
    }

    public function behind(LocalDate $today): ?LocalDate
    {
        return $this->ahead($today);
    }
}

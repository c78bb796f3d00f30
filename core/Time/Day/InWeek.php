<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Span;
use ZippyTray\Core\Time\Week;

/**
 * A day of the week within a week that is counted from this one: "next Friday", "Friday of next week", "Monday in 3 weeks".
 */
final readonly class InWeek extends Day
{
    /**
     * @param int  $weekday 1 is Monday, 7 is Sunday (ISO 8601)
     * @param Span $ahead   to a day of the week that is meant
     */
    public function __construct(private int $weekday, private Span $ahead, private Week $week, private int $direction = 1)
    {
    }

    public static function weeks(int $weekday, int $weeks, Week $week): self
    {
        return new self($weekday, new Span(days: 7 * abs($weeks)), $week, $weeks < 0 ? -1 : 1);
    }

    public function ahead(LocalDate $today): ?LocalDate
    {
        $date = $this->ahead->from($today, $this->week, $this->direction);

        return null === $date ? null : $this->week->dayIn($date, $this->weekday);
    }

    public function behind(LocalDate $today): ?LocalDate
    {
        return $this->ahead($today);
    }
}

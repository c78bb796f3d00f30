<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * "Week 50": its Monday (ISO 8601, week dates).
 */
final readonly class IsoWeek extends Day
{
    public function __construct(private int $week, private ?Year $year = null)
    {
    }

    public function ahead(LocalDate $today): ?LocalDate
    {
        $year = $this->year?->of($today) ?? (int) $today->format('o');
        $day = $this->in($year);
        if (null === $this->year && (null === $day || $day->plusDays(6)->isBefore($today))) {
            return $this->in($year + 1);
        }

        return $day;
    }

    public function behind(LocalDate $today): ?LocalDate
    {
        $day = $this->in($this->year?->of($today) ?? (int) $today->format('o'));

        return null === $this->year && null !== $day && $today->isBefore($day) ? $this->in((int) $today->format('o') - 1) : $day;
    }

    public function isFixed(): bool
    {
        return null !== $this->year;
    }

    public function problem(LocalDate $today): string
    {
        return '%s: that year has no such week.';
    }

    private function in(int $year): ?LocalDate
    {
        // The fourth of January is always in the first week.
        $fourth = LocalDate::on($year, 1, 4);
        $monday = $fourth?->plusDays(1 - $fourth->weekday() + 7 * ($this->week - 1));

        return null !== $monday && $this->week > 0 && (int) $monday->format('o') === $year ? $monday : null;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * "4 December", with or without a year, perhaps with the day of the week, which then helps to tell
 * the year.
 */
final readonly class DayOfYear implements Day
{
    public function __construct(private int $day, private int $month, private ?int $year = null, private ?int $weekday = null)
    {
    }

    /** Without a year: the coming one, today included. */
    public function ahead(LocalDate $today): ?LocalDate
    {
        if (null !== $this->year) {
            return LocalDate::on($this->year, $this->month, $this->day);
        }
        $coming = array_values(array_filter($this->candidates($today, 0, 8), static fn (LocalDate $date): bool => !$date->isBefore($today)));

        return $this->onWeekday($coming) ?? $coming[0] ?? null;
    }

    /** Without a year: the last one, today included. */
    public function behind(LocalDate $today): ?LocalDate
    {
        if (null !== $this->year) {
            return LocalDate::on($this->year, $this->month, $this->day);
        }
        $gone = array_values(array_filter(array_reverse($this->candidates($today, -8, 0)), static fn (LocalDate $date): bool => !$today->isBefore($date)));

        return $this->onWeekday($gone) ?? $gone[0] ?? null;
    }

    public function isFixed(): bool
    {
        return null !== $this->year;
    }

    /** @return list<LocalDate> earliest first */
    private function candidates(LocalDate $today, int $from, int $to): array
    {
        return array_values(array_filter(array_map(
            fn (int $years): ?LocalDate => LocalDate::on($today->year() + $years, $this->month, $this->day),
            range($from, $to),
        )));
    }

    /**
     * @param list<LocalDate> $dates nearest first
     *
     * @return LocalDate|null the nearer of the first two that is on the day of the week
     */
    private function onWeekday(array $dates): ?LocalDate
    {
        foreach (\array_slice($dates, 0, 2) as $date) {
            if ($date->weekday() === $this->weekday) {
                return $date;
            }
        }

        return null;
    }
}

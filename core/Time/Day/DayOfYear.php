<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * "27 November", with or without a year and a day of the week.
 */
final readonly class DayOfYear extends Day
{
    /**
     * @param int|null $weekday   what it is said to be (ISO 8601)
     * @param bool     $isLenient whether it is that day also when it is another one of the week
     */
    public function __construct(
        private int $day,
        private int $month,
        private ?Year $year = null,
        private ?int $weekday = null,
        private bool $isLenient = false,
    ) {
    }

    /**
     * Without a year: the coming one, today included. When the day of the week that was said is not that of the coming one,
     * but that of the last one of this year, it is that one.
     */
    public function ahead(LocalDate $today): ?LocalDate
    {
        $date = $this->dated($today);
        if (null === $date || null === $this->weekday || $date->weekday() === $this->weekday) {
            return $date;
        }
        $last = null === $this->year ? LocalDate::on($today->year(), $this->month, $this->day) : null;

        return null !== $last && $last->isBefore($today) && $last->weekday() === $this->weekday ? $last : ($this->isLenient ? $date : null);
    }

    /** Without a year: the last one, today included. */
    public function behind(LocalDate $today): ?LocalDate
    {
        if (null !== $this->year) {
            return $this->ahead($today);
        }
        for ($years = 0; $years < 9; ++$years) {
            $date = LocalDate::on($today->year() - $years, $this->month, $this->day);
            if (null !== $date && !$today->isBefore($date)) {
                if (null === $this->weekday || $date->weekday() === $this->weekday) {
                    return $date;
                }
                $ahead = $this->ahead($today);

                return $this->isLenient && $ahead?->weekday() !== $this->weekday ? $date : $ahead;
            }
        }

        return null;
    }

    public function isFixed(): bool
    {
        return null !== $this->year;
    }

    public function problem(LocalDate $today): string
    {
        $date = $this->dated($today);

        return null === $date
            ? '%s is not a day of the calendar.'
            : '%s cannot be: '.$date->format('j M Y').' is a '.$date->format('l').'.';
    }

    private function dated(LocalDate $today): ?LocalDate
    {
        if (null !== $this->year) {
            return LocalDate::on($this->year->of($today), $this->month, $this->day);
        }
        for ($years = 0; $years < 9; ++$years) {
            $date = LocalDate::on($today->year() + $years, $this->month, $this->day);
            if (null !== $date && !$date->isBefore($today)) {
                return $date;
            }
        }

        return null;
    }
}

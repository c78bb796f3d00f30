<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * "The 27th": the coming one, today included.
 */
final readonly class DayOfMonth extends Day
{
    /**
     * @param int|null $weekday "Friday the 15th" is one that is a Friday (ISO 8601)
     * @param int|null $ahead   "the 15th of next month" is that of so many months on; null: of the first month that has it
     * @param int      $within  days after which it is not looked for any more
     */
    public function __construct(private int $day, private ?int $weekday = null, private ?int $ahead = null, private int $within = 366)
    {
    }

    public function ahead(LocalDate $today): ?LocalDate
    {
        if (null !== $this->ahead) {
            $month = $today->plusDays(1 - $today->day())->plusMonths($this->ahead);
            $date = LocalDate::on($month->year(), $month->month(), $this->day);

            return null === $this->weekday || $date?->weekday() === $this->weekday ? $date : null;
        }

        return $this->find($today, 1);
    }

    public function behind(LocalDate $today): ?LocalDate
    {
        return null === $this->ahead ? $this->find($today, -1) : $this->ahead($today);
    }

    public function isFixed(): bool
    {
        return null !== $this->ahead && $this->ahead > 0;
    }

    public function problem(LocalDate $today): string
    {
        if ($this->day < 1 || $this->day > 31) {
            return '%s is not a day of any month.';
        }

        $coming = null === $this->ahead ? (new self($this->day))->ahead($today) : null;

        return null === $coming
            ? '%s: that month has no such day.'
            : '%s cannot be: '.$coming->format('j M Y').' is a '.$coming->format('l').'.';
    }

    private function find(LocalDate $today, int $direction): ?LocalDate
    {
        $first = LocalDate::on($today->year(), $today->month(), 1);
        for ($months = 0; $months < 12; ++$months) {
            $month = $first?->plusMonths($direction * $months);
            $date = null === $month ? null : LocalDate::on($month->year(), $month->month(), $this->day);
            $isThere = null !== $date && ($direction > 0 ? !$date->isBefore($today) : !$today->isBefore($date));
            if ($isThere && (null === $this->weekday || $date->weekday() === $this->weekday)) {
                return abs($today->daysUntil($date)) <= $this->within ? $date : null;
            }
        }

        return null;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * "the end of January", "the beginning of March 2027".
 */
final readonly class EndOfMonth implements Day
{
    public function __construct(private int $month, private ?int $year = null, private bool $beginning = false)
    {
    }

    public function ahead(LocalDate $today): ?LocalDate
    {
        $day = $this->in($this->year ?? $today->year());

        return null === $this->year && true === $day?->isBefore($today) ? $this->in($today->year() + 1) : $day;
    }

    public function behind(LocalDate $today): ?LocalDate
    {
        $day = $this->in($this->year ?? $today->year());

        return null === $this->year && null !== $day && $today->isBefore($day) ? $this->in($today->year() - 1) : $day;
    }

    public function isFixed(): bool
    {
        return null !== $this->year;
    }

    private function in(int $year): ?LocalDate
    {
        $first = LocalDate::on($year, $this->month, 1);

        return $this->beginning ? $first : $first?->endOfMonth();
    }
}

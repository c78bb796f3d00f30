<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * A day that is counted from Easter Sunday (Gregorian computus, as Meeus, Jones and Butcher write it).
 */
final readonly class EasterDay extends Day
{
    /** @param int $days after Easter Sunday; negative: before it */
    public function __construct(private int $days, private ?Year $year = null)
    {
    }

    public function ahead(LocalDate $today): ?LocalDate
    {
        $day = $this->in($this->year?->of($today) ?? $today->year());

        return null === $this->year && true === $day?->isBefore($today) ? $this->in($today->year() + 1) : $day;
    }

    public function behind(LocalDate $today): ?LocalDate
    {
        $day = $this->in($this->year?->of($today) ?? $today->year());

        return null === $this->year && null !== $day && $today->isBefore($day) ? $this->in($today->year() - 1) : $day;
    }

    public function isFixed(): bool
    {
        return null !== $this->year;
    }

    private function in(int $year): ?LocalDate
    {
        $a = $year % 19;
        [$b, $c] = [intdiv($year, 100), $year % 100];
        $h = (19 * $a + $b - intdiv($b, 4) - intdiv($b - intdiv($b + 8, 25) + 1, 3) + 15) % 30;
        $l = (32 + 2 * ($b % 4) + 2 * intdiv($c, 4) - $h - $c % 4) % 7;
        $m = intdiv($a + 11 * $h + 22 * $l, 451);
        $sum = $h + $l - 7 * $m + 114;

        return LocalDate::on($year, intdiv($sum, 31), $sum % 31 + 1)?->plusDays($this->days);
    }
}

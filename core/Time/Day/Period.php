<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Week;

/**
 * The beginning or the end of a week, a month, a quarter or a year: "next week", "end of the month", "this
 * weekend". The end of a week is its last working day, and a weekend begins on Saturday.
 */
final readonly class Period implements Day
{
    /** @param int $ahead 0: this one, 1: the next one */
    private function __construct(private string $what, private int $ahead, private Week $week)
    {
    }

    public static function beginning(Unit $unit, int $ahead, Week $week = new Week()): self
    {
        return new self('begin '.$unit->value, $ahead, $week);
    }

    public static function end(Unit $unit, int $ahead, Week $week = new Week()): self
    {
        return new self('end '.$unit->value, $ahead, $week);
    }

    public static function weekend(int $ahead, Week $week = new Week()): self
    {
        return new self('weekend', $ahead, $week);
    }

    public function ahead(LocalDate $today): ?LocalDate
    {
        $month = $today->plusDays(1 - $today->day())->plusMonths($this->ahead);
        $quarter = $today->plusDays(1 - $today->day())->plusMonths(3 * $this->ahead - ($today->month() - 1) % 3);

        return match ($this->what) {
            'begin week' => $this->week->startOf($today->plusDays(7 * $this->ahead)),
            'end week' => 0 === $this->ahead ? $this->week->end($today) : $this->week->lastWorkingDay($today->plusDays(7 * $this->ahead)),
            'weekend' => 0 === $this->ahead ? $today->plusDays((6 - $today->weekday() + 7) % 7) : $this->week->dayIn($today->plusDays(7 * $this->ahead), 6),
            'begin month' => $month,
            'end month' => $month->endOfMonth(),
            'begin quarter' => $quarter,
            'end quarter' => $quarter->plusMonths(2)->endOfMonth(),
            'begin year' => LocalDate::on($today->year() + $this->ahead, 1, 1),
            default => LocalDate::on($today->year() + $this->ahead, 12, 31),
        };
    }

    public function behind(LocalDate $today): ?LocalDate
    {
        return null;
    }

    public function isFixed(): bool
    {
        return true;
    }
}

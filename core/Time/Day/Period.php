<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * The beginning or the end of a week, a month or a year: "next week", "end of the month", "this
 * weekend". A week begins on Monday, and its end is its last working day.
 */
final readonly class Period implements Day
{
    /** @param int $ahead 0: this one, 1: the next one */
    private function __construct(private string $what, private int $ahead)
    {
    }

    public static function beginning(Unit $unit, int $ahead): self
    {
        return new self('begin '.$unit->value, $ahead);
    }

    public static function end(Unit $unit, int $ahead): self
    {
        return new self('end '.$unit->value, $ahead);
    }

    public static function weekend(int $ahead): self
    {
        return new self('weekend', $ahead);
    }

    public function ahead(LocalDate $today): ?LocalDate
    {
        $monday = $today->plusDays(1 - $today->weekday() + 7 * $this->ahead);

        return match ($this->what) {
            'begin week' => $monday,
            'end week' => $monday->plusDays(0 === $this->ahead && $today->weekday() > 5 ? 11 : 4),
            'weekend' => $monday->plusDays(7 === $today->weekday() && 0 === $this->ahead ? 12 : 5),
            'begin month' => $today->plusMonths($this->ahead)->plusDays(1 - $today->plusMonths($this->ahead)->day()),
            'end month' => $today->plusDays(1 - $today->day())->plusMonths($this->ahead)->endOfMonth(),
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

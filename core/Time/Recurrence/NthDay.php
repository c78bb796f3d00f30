<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Recurrence;

use ZippyTray\Core\Time\LocalDate;

/**
 * A day of the week in a rule, "FR" or "-1FR" (RFC 5545, 3.3.10, weekdaynum).
 */
final readonly class NthDay
{
    public const CODES = [1 => 'MO', 2 => 'TU', 3 => 'WE', 4 => 'TH', 5 => 'FR', 6 => 'SA', 7 => 'SU'];

    /**
     * @param int      $weekday 1 is Monday (ISO 8601)
     * @param int|null $nth     which one of the month, from 1 on or from -1 backwards; null: every one
     */
    public function __construct(public int $weekday, public ?int $nth = null)
    {
    }

    /** @return list<LocalDate> those of the month that begins on $first */
    public function in(LocalDate $first): array
    {
        $day = $first->plusDays(($this->weekday - $first->weekday() + 7) % 7);
        $all = [];
        for (; $day->month() === $first->month(); $day = $day->plusDays(7)) {
            $all[] = $day;
        }

        if (null === $this->nth) {
            return $all;
        }
        $one = $all[$this->nth > 0 ? $this->nth - 1 : \count($all) + $this->nth] ?? null;

        return null === $one ? [] : [$one];
    }

    public function __toString(): string
    {
        return ($this->nth ?? '').self::CODES[$this->weekday];
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * What days are counted in.
 */
enum Unit: string
{
    case Day = 'day';
    case WorkingDay = 'working day';
    case Week = 'week';
    case Fortnight = 'fortnight';
    case Month = 'month';
    case Year = 'year';

    public function add(LocalDate $date, int $count): LocalDate
    {
        return match ($this) {
            self::Day => $date->plusDays($count),
            self::WorkingDay => $count < 0 ? $date->plusDays($count) : $date->plusWorkingDays($count),
            self::Week => $date->plusDays(7 * $count),
            self::Fortnight => $date->plusDays(14 * $count),
            self::Month => $date->plusMonths($count),
            self::Year => $date->plusMonths(12 * $count),
        };
    }
}

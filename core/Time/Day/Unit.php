<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Week;

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
    case Quarter = 'quarter';
    case Year = 'year';

    public function add(LocalDate $date, int $count): LocalDate
    {
        return match ($this) {
            self::Day => $date->plusDays($count),
            self::WorkingDay => (new Week())->plusWorkingDays($date, $count),
            self::Week => $date->plusDays(7 * $count),
            self::Fortnight => $date->plusDays(14 * $count),
            self::Month => $date->plusMonths($count),
            self::Quarter => $date->plusMonths(3 * $count),
            self::Year => $date->plusMonths(12 * $count),
        };
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

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
}

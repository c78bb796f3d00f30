<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Recurrence;

/**
 * What a repeat is counted in (RFC 5545, 3.3.10, FREQ).
 */
enum Frequency: string
{
    case Daily = 'DAILY';
    case Weekly = 'WEEKLY';
    case Monthly = 'MONTHLY';
    case Yearly = 'YEARLY';

    public function unit(): string
    {
        return match ($this) {
            self::Daily => 'day',
            self::Weekly => 'week',
            self::Monthly => 'month',
            self::Yearly => 'year',
        };
    }
}

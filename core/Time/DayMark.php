<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

/**
 * The times of the day that have a name.
 */
enum DayMark: string
{
    case Morning = '09:00';
    case Noon = '12:00';
    case Afternoon = '14:00';
    case EndOfDay = '17:00';
    case Evening = '18:00';
    case Tonight = '20:00';

    public function time(): TimeOfDay
    {
        return TimeOfDay::parse($this->value);
    }
}

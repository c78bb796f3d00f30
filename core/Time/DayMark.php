<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

/**
 * The times of the day that have a name. When they are is the person's own choice (TimeSettings).
 */
enum DayMark: string
{
    case Morning = 'morning';
    case Noon = 'noon';
    case Afternoon = 'afternoon';
    case EndOfDay = 'end_of_day';
    case Evening = 'evening';
    case Tonight = 'tonight';

    /** When it is unless the person chose otherwise. */
    public function usual(): TimeOfDay
    {
        return TimeOfDay::parse(match ($this) {
            self::Morning => '09:00',
            self::Noon => '12:00',
            self::Afternoon => '14:00',
            self::EndOfDay => '17:00',
            self::Evening => '18:00',
            self::Tonight => '20:00',
        });
    }
}

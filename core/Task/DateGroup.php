<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Week;

/**
 * How near a task is.
 */
enum DateGroup: string
{
    case Over = 'over';
    case Today = 'today';
    case Tomorrow = 'tomorrow';
    case ThisWeek = 'this_week';
    case NextWeek = 'next_week';
    case Later = 'later';
    case None = 'none';

    /** @param Moment $now in the person's own zone */
    public static function of(?Due $due, Moment $now, Week $week): self
    {
        if (null === $due) {
            return self::None;
        }
        if ($due->isOver($now->instant, $now->zone)) {
            return self::Over;
        }
        [$day, $today] = [$due->dayIn($now->zone), $now->date()];
        $nextWeek = $week->startOf($today)->plusDays(7);

        return match (true) {
            $day->equals($today) => self::Today,
            $day->equals($today->plusDays(1)) => self::Tomorrow,
            $day->isBefore($nextWeek) => self::ThisWeek,
            $day->isBefore($nextWeek->plusDays(7)) => self::NextWeek,
            default => self::Later,
        };
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
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
        [$tomorrow, $nextWeek, $afterNext] = self::bounds($today, $week);

        return match (true) {
            $day->equals($today) => self::Today,
            $day->equals($tomorrow) => self::Tomorrow,
            $day->isBefore($nextWeek) => self::ThisWeek,
            $day->isBefore($afterNext) => self::NextWeek,
            default => self::Later,
        };
    }

    /**
     * The same for each row of a list, and so found once.
     *
     * @return array{LocalDate, LocalDate, LocalDate} tomorrow, and the first days of next week and of the one after it
     */
    private static function bounds(LocalDate $today, Week $week): array
    {
        /** @var array{string, array{LocalDate, LocalDate, LocalDate}}|null $last */
        static $last = null;
        $key = $today.' '.$week->firstDay;
        if (null === $last || $key !== $last[0]) {
            $nextWeek = $week->startOf($today)->plusDays(7);
            $last = [$key, [$today->plusDays(1), $nextWeek, $nextWeek->plusDays(7)]];
        }

        return $last[1];
    }
}

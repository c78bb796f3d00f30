<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Week;

/**
 * How much of a day can be promised: the hours for work, less what takes place in them, less the share that is kept free. Minutes are
 * those that pass, also where the clock changes.
 */
final readonly class HoursThere
{
    public function __construct(private AgendaSettings $settings, private Week $week, private \DateTimeZone $zone)
    {
    }

    /**
     * @param list<array{int, int}> $taken seconds since 1970 from which until which something takes place; they may lie over each other
     * @param Moment|null           $now   what of the hours is over by then is not there any more; null: all of the day
     *
     * @return int minutes
     */
    public function on(LocalDate $date, array $taken = [], ?Moment $now = null): int
    {
        $hours = $this->settings->hoursOn($date, $this->week);
        if (null === $hours) {
            return 0;
        }
        [$begin, $end] = self::span($date, $hours, $this->zone);
        // A minute that has begun is there still.
        $at = max($begin, 60 * intdiv($now?->instant->getTimestamp() ?? 0, 60));
        $free = 0;
        sort($taken);
        foreach ([...$taken, [$end, $end]] as [$from, $until]) {
            $free += max(0, min($from, $end) - $at);
            $at = max($at, $until);
        }

        return intdiv(intdiv($free, 60) * (100 - $this->settings->keptFree), 100);
    }

    /**
     * Minutes from when one begins to work on a day until one ends.
     *
     * @param array{from: string, to: string} $hours HH:MM
     */
    public static function between(LocalDate $date, array $hours, \DateTimeZone $zone): int
    {
        [$begin, $end] = self::span($date, $hours, $zone);

        return intdiv(max(0, $end - $begin), 60);
    }

    /**
     * From when one begins to work on a day until one ends; 00:00 is the end of it.
     *
     * @param array{from: string, to: string} $hours HH:MM
     *
     * @return array{int, int} seconds since 1970
     */
    public static function span(LocalDate $date, array $hours, \DateTimeZone $zone): array
    {
        $second = static fn (LocalDate $day, string $time): int => $day->at(TimeOfDay::parse($time), $zone)->getTimestamp();

        return [$second($date, $hours['from']), $second('00:00' === $hours['to'] ? $date->plusDays(1) : $date, $hours['to'])];
    }
}

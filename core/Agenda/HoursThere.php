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
        $end = $this->second('00:00' === $hours['to'] ? $date->plusDays(1) : $date, $hours['to']);
        // A minute that has begun is there still.
        $at = max($this->second($date, $hours['from']), 60 * intdiv($now?->instant->getTimestamp() ?? 0, 60));
        $free = 0;
        sort($taken);
        foreach ([...$taken, [$end, $end]] as [$from, $until]) {
            $free += max(0, min($from, $end) - $at);
            $at = max($at, $until);
        }

        return intdiv(intdiv($free, 60) * (100 - $this->settings->keptFree), 100);
    }

    private function second(LocalDate $date, string $time): int
    {
        return $date->at(TimeOfDay::parse($time), $this->zone)->getTimestamp();
    }
}

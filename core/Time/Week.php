<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

use ZippyTray\Core\Refused;

/**
 * On which day a person's week begins, and on which days they work. Days of the week are those of
 * ISO 8601: 1 is Monday, 7 is Sunday.
 */
final readonly class Week
{
    /**
     * @param list<int> $workingDays at least one, in rising order
     *
     * @throws Refused when a day is none, or no day is left to work on
     */
    public function __construct(public int $firstDay = 1, public array $workingDays = [1, 2, 3, 4, 5])
    {
        if ($firstDay < 1 || $firstDay > 7) {
            throw new Refused('A week begins on a day from Monday to Sunday.', 'weekStart');
        }
        $days = array_values(array_unique(array_filter($workingDays, static fn (int $day): bool => $day >= 1 && $day <= 7)));
        sort($days);
        if ([] === $days || $days !== $workingDays) {
            throw new Refused('At least one day of the week has to be a working day.', 'workingDays');
        }
    }

    /** The first day of the week that $date is in. */
    public function startOf(LocalDate $date): LocalDate
    {
        return $date->plusDays(-(($date->weekday() - $this->firstDay + 7) % 7));
    }

    /** The $weekday of the week that $date is in. */
    public function dayIn(LocalDate $date, int $weekday): LocalDate
    {
        return $this->startOf($date)->plusDays(($weekday - $this->firstDay + 7) % 7);
    }

    /** The last working day of this week, or of the next one when that is over. */
    public function end(LocalDate $today): LocalDate
    {
        $last = $this->lastWorkingDay($today);

        return $last->isBefore($today) ? $this->lastWorkingDay($today->plusDays(7)) : $last;
    }

    /** The last working day of the week that $date is in. */
    public function lastWorkingDay(LocalDate $date): LocalDate
    {
        $day = $this->startOf($date)->plusDays(6);
        while (!$this->isWorkingDay($day)) {
            $day = $day->plusDays(-1);
        }

        return $day;
    }

    /** The one in the middle of the working days of the week that $date is in. */
    public function middleWorkingDay(LocalDate $date): LocalDate
    {
        $days = [];
        for ($day = $this->startOf($date); \count($days) < \count($this->workingDays); $day = $day->plusDays(1)) {
            if ($this->isWorkingDay($day)) {
                $days[] = $day;
            }
        }

        return $days[intdiv(\count($days), 2)];
    }

    public function isWorkingDay(LocalDate $date): bool
    {
        return \in_array($date->weekday(), $this->workingDays, true);
    }

    /** @param int $days negative: earlier; 0 is the day itself, even when it is no working day */
    public function plusWorkingDays(LocalDate $date, int $days): LocalDate
    {
        $direction = $days <=> 0;
        $left = abs($days);
        // Any seven days in a row hold the same number of working days; one remains, to end on a working day.
        $weeks = $left > 0 ? intdiv($left - 1, \count($this->workingDays)) : 0;
        $date = $date->plusDays($direction * 7 * $weeks);
        for ($left -= $weeks * \count($this->workingDays); $left > 0; $left -= $this->isWorkingDay($date) ? 1 : 0) {
            $date = $date->plusDays($direction);
        }

        return $date;
    }
}

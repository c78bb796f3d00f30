<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\When;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;

/**
 * A time of the day as it was written.
 */
final readonly class Clock
{
    /**
     * @param bool $isMidnight the end of the day it is said of, which is 00:00 of the following one
     * @param bool $isSecond   of a time that the clock shows twice that day, the later one
     * @param bool $isBareHour only a number
     */
    public function __construct(public TimeOfDay $time, public bool $isMidnight = false, public bool $isSecond = false, public bool $isBareHour = false)
    {
    }

    public static function of(int $hour, int $minute = 0, bool $isBareHour = false): ?self
    {
        return $hour >= 0 && $hour <= 23 && $minute >= 0 && $minute <= 59 ? new self(TimeOfDay::parse(\sprintf('%02d:%02d', $hour, $minute)), isBareHour: $isBareHour) : null;
    }

    public static function midnight(): self
    {
        return new self(TimeOfDay::parse('00:00'), isMidnight: true);
    }

    /** The same hour in the other half of the day, when that is what is meant by "in the evening". */
    public function inAfternoon(): self
    {
        $hour = (int) substr((string) $this->time, 0, 2);

        return $this->isBareHour && $hour < 12 ? new self(TimeOfDay::parse(($hour + 12).substr((string) $this->time, 2))) : $this;
    }

    public function inMorning(): self
    {
        $hour = (int) substr((string) $this->time, 0, 2);

        return $this->isBareHour && $hour > 12 ? new self(TimeOfDay::parse(\sprintf('%02d', $hour - 12).substr((string) $this->time, 2))) : $this;
    }

    public function secondTime(): self
    {
        return new self($this->time, $this->isMidnight, true);
    }

    /** The day that the clock shows it on, when it is said of $day. */
    public function dayOf(LocalDate $day): LocalDate
    {
        return $this->isMidnight ? $day->plusDays(1) : $day;
    }
}

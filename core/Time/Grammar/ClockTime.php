<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Grammar;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;

/**
 * A time of the day as it was written, perhaps with the time at which what begins then ends.
 */
final readonly class ClockTime
{
    /**
     * @param bool               $isMidnight  the end of the day it is said of, which is 00:00 of the following one
     * @param bool               $isSecond    of a time that the clock shows twice that day, the later one
     * @param bool               $isBareHour  which half of the day is meant was not said, but follows from the hour
     * @param bool               $isAsWritten no half of the day was said, and the hour may be in the other one too: "6:30"
     * @param bool               $isMark      it is only a part of the day
     * @param self|null          $until       when it ends
     * @param int|null           $minutes     how long it lasts, where that was said instead
     * @param \DateTimeZone|null $zone        in which it was said to be
     */
    public function __construct(
        public TimeOfDay $time,
        public bool $isMidnight = false,
        public bool $isSecond = false,
        public bool $isBareHour = false,
        public bool $isAsWritten = false,
        public bool $isMark = false,
        public ?self $until = null,
        public ?int $minutes = null,
        public ?\DateTimeZone $zone = null,
    ) {
    }

    public static function of(int $hour, int $minute = 0, bool $isBareHour = false, bool $isAsWritten = false): ?self
    {
        return $hour >= 0
            && $hour <= 23
            && $minute >= 0
            && $minute <= 59
            ? new self(TimeOfDay::parse(\sprintf('%02d:%02d', $hour, $minute)), isBareHour: $isBareHour, isAsWritten: $isAsWritten)
            : null;
    }

    public static function midnight(): self
    {
        return new self(TimeOfDay::parse('00:00'), isMidnight: true);
    }

    /** What a part of the day is, on its own. */
    public static function mark(TimeOfDay $time): self
    {
        return new self($time, isMark: true);
    }

    public function hour(): int
    {
        return (int) substr((string) $this->time, 0, 2);
    }

    /** The same hour in the other half of the day, when that is what is meant by "in the evening". */
    public function inAfternoon(): self
    {
        return ($this->isBareHour || $this->isAsWritten) && $this->hour() < 12 ? $this->otherHalf() : $this;
    }

    public function inMorning(): self
    {
        return $this->isBareHour && $this->hour() > 12 ? $this->otherHalf() : $this;
    }

    /** Twelve hours later, or earlier. */
    public function otherHalf(): self
    {
        $until = $this->until?->isAsWritten || $this->until?->isBareHour ? $this->until->otherHalf() : $this->until;

        return new self(
            TimeOfDay::parse(\sprintf('%02d', ($this->hour() + 12) % 24).substr((string) $this->time, 2)),
            until: $until,
            minutes: $this->minutes,
            zone: $this->zone,
        );
    }

    public function secondTime(): self
    {
        return new self($this->time, $this->isMidnight, true);
    }

    public function until(self $end): self
    {
        return new self(
            $this->time,
            $this->isMidnight,
            $this->isSecond,
            $this->isBareHour,
            $this->isAsWritten,
            $this->isMark,
            $end,
            null,
            $this->zone ?? $end->zone,
        );
    }

    /** @param int $minutes 1 or more */
    public function lasting(int $minutes): self
    {
        return new self(
            $this->time,
            $this->isMidnight,
            $this->isSecond,
            $this->isBareHour,
            $this->isAsWritten,
            $this->isMark,
            null,
            $minutes,
            $this->zone,
        );
    }

    public function in(\DateTimeZone $zone): self
    {
        return new self(
            $this->time,
            $this->isMidnight,
            $this->isSecond,
            $this->isBareHour,
            $this->isAsWritten,
            $this->isMark,
            $this->until,
            $this->minutes,
            $zone,
        );
    }

    /** The day that the clock shows it on, when it is said of $day. */
    public function dayOf(LocalDate $day): LocalDate
    {
        return $this->isMidnight ? $day->plusDays(1) : $day;
    }
}

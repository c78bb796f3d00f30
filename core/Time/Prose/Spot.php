<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Prose;

use ZippyTray\Core\Time\Day\Day;
use ZippyTray\Core\Time\Grammar\ClockTime;

/**
 * Where in a text a day, a time or both are named.
 */
final readonly class Spot
{
    /**
     * @param int            $from  first character, in Unicode code points from 0
     * @param int            $to    the character behind the last one
     * @param ClockTime|null $clock the time that is named
     * @param bool           $isDay a certain day is named, and not only a time, a number or a stretch of time
     */
    public function __construct(public int $from, public int $to, public Day $day, public ?ClockTime $clock, public bool $isDay)
    {
    }

    /** Whether a clock says the time, and not only a part of the day. */
    public function isExact(): bool
    {
        return null !== $this->clock && !$this->clock->isMark;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Words;

use ZippyTray\Core\Time\Day\Day;

/**
 * A day that was read, and how far the words of it go.
 */
final readonly class DayWords
{
    /**
     * @param int  $next  index of the token behind it
     * @param bool $vague a number or a stretch of time that says a day only beside words such as "by" or "on"
     */
    public function __construct(public Day $day, public int $next, public bool $vague = false)
    {
    }
}

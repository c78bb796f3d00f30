<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Words;

use ZippyTray\Core\Time\TimeOfDay;

/**
 * A time of the day that was read, and how far the words of it go.
 */
final readonly class TimeWords
{
    /**
     * @param int  $next index of the token behind it
     * @param bool $bare a number that says a time only beside a day or a word such as "at"
     */
    public function __construct(public TimeOfDay $time, public int $next, public bool $bare = false)
    {
    }
}

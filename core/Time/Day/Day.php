<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * A day as people say it: "Friday", "4 December", "the 15th". Which one is meant depends on when it
 * is said, and on whether the talk is of what is to come or of what was.
 */
interface Day
{
    /** The one to come, seen from $today; null when the calendar has no such day. */
    public function ahead(LocalDate $today): ?LocalDate;

    /** The one that was; null when it only ever looks ahead, or the calendar has no such day. */
    public function behind(LocalDate $today): ?LocalDate;

    /** Whether the words themselves say which day it is, so that it is the same in any talk. */
    public function isFixed(): bool;
}

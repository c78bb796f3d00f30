<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * A day as it is spoken of, before it is known from which day it is seen.
 */
abstract readonly class Day
{
    /** The one to come, seen from $today; null when the calendar has no such day. */
    abstract public function ahead(LocalDate $today): ?LocalDate;

    /** The one that was; null when it only ever looks ahead, or the calendar has no such day. */
    public function behind(LocalDate $today): ?LocalDate
    {
        return null;
    }

    /** Whether the words themselves say which day it is, so that it is the same in any talk. */
    public function isFixed(): bool
    {
        return true;
    }

    /** Why there is no such day: a sentence with %s for the words that were said. */
    public function problem(LocalDate $today): string
    {
        return '%s leads out of the calendar.';
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

use ZippyTray\Core\Mail\CalendarEvent;

/**
 * Opens calendar objects (RFC 5545).
 */
interface Calendars
{
    /**
     * What an object says of an event; null when it says nothing of any, or cannot be read.
     *
     * @param \DateTimeZone $zone in which times are that name none
     */
    public function event(string $bytes, \DateTimeZone $zone): ?CalendarEvent;
}

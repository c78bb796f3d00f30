<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar;

use ZippyTray\Core\Agenda\Event\ToldEvent;

/**
 * What a calendar file holds, as far as it can be read.
 */
final readonly class CalendarFile
{
    /**
     * @param string          $name   that it gives itself; may be empty
     * @param string          $method of iTIP (RFC 5546), in lower case; empty: it is no message
     * @param list<ToldEvent> $events
     * @param list<ToldTask>  $tasks
     * @param list<string>    $left   what was left out, in sentences
     */
    public function __construct(
        public string $name,
        public string $method,
        public array $events,
        public array $tasks,
        public array $left,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\Task\Jot\Clause;

/**
 * A jotted line as it was read, when it says an event.
 */
final readonly class EventJot
{
    /**
     * @param list<Clause> $clauses in the order in which they stand, the title first
     * @param EventFields  $fields  what the event will be; clauses that were not read are in its notes
     */
    public function __construct(public array $clauses, public EventFields $fields)
    {
    }
}

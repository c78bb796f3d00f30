<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

/**
 * When an event is to take place from now on, or one of a series.
 */
final readonly class EventMove
{
    /**
     * @param string|null $key which one of a series (see EventTime::key()); null: the event, or the whole series
     * @param bool        $all whether all of the series go along with that one
     */
    public function __construct(public EventId $id, public ?string $key, public EventTime $time, public bool $all = false)
    {
    }
}

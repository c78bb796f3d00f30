<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

/**
 * An event as it takes place once.
 */
final readonly class Occurrence
{
    /**
     * @param string           $key  by which it is named among those of its series (see EventTime::key())
     * @param EventFields|null $told when it was told apart from its series
     */
    public function __construct(public Event $event, public string $key, public EventTime $time, private ?EventFields $told = null)
    {
    }

    /** As they are this time. */
    public function fields(): EventFields
    {
        return $this->told ?? ($this->event->isRepeating() ? $this->event->fields()->at($this->time) : $this->event->fields());
    }

    /** Whether it was told apart from its series. */
    public function isTold(): bool
    {
        return null !== $this->told;
    }
}

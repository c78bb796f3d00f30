<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\Mail\Address;

/**
 * An event as another program tells it (VEVENT, RFC 5545, 3.6.1).
 */
final readonly class ToldEvent
{
    /**
     * @param string                          $uid        by which it is known everywhere (RFC 5545, 3.8.4.7)
     * @param Address|null                    $organiser  null: the person themselves
     * @param array<string, EventFields|null> $exceptions by the keys of those of a series that are told anew; null: it does not take place
     * @param list<string>                    $more       keys of days besides those of the rule (RDATE)
     * @param list<string>                    $other      content lines (RFC 5545, 3.1) of which nothing is known here
     * @param string|null                     $partOf     the key of the one of a series that alone is told; null: the whole event
     */
    public function __construct(
        public string $uid,
        public EventFields $fields,
        public int $sequence = 0,
        public EventStatus $status = EventStatus::Confirmed,
        public ?Address $organiser = null,
        public array $exceptions = [],
        public array $more = [],
        public array $other = [],
        public ?string $partOf = null,
    ) {
    }
}

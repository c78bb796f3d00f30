<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

/**
 * A slot as it lies on a day. Day and time are those of the person.
 */
final readonly class SlotView
{
    /**
     * @param string|null $time    HH:MM; null: it has no hour
     * @param string|null $begins  the instant, in UTC (RFC 3339)
     * @param int         $minutes that it lasts
     * @param bool        $done    whether its task is
     */
    public function __construct(
        public string $id,
        public string $task,
        public string $date,
        public ?string $time,
        public ?string $begins,
        public int $minutes,
        public bool $done,
    ) {
    }
}

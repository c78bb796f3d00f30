<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar\Subscription;

/**
 * Somebody else's calendar that is shown among the days, as its person sees it. Its address is a secret, and not among it.
 */
final readonly class Subscription
{
    /**
     * @param string       $host    where it is read
     * @param bool         $busy    whether its events take the person's hours
     * @param int          $events  how many it has
     * @param string|null  $readAt  when it was read last with success; null: not yet
     * @param string|null  $problem why it could not be read last time; null: it could
     * @param list<string> $left    what was left out of it
     * @param bool         $waiting whether it is read as soon as can be
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $host,
        public bool $busy,
        public int $events,
        public ?string $readAt,
        public ?string $problem,
        public array $left,
        public bool $waiting,
    ) {
    }
}

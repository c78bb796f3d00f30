<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read;

/**
 * How much each view holds. Instants are in UTC (RFC 3339).
 */
final readonly class CountsView
{
    /**
     * @param int         $forClearing of those that are away: they wait for the next clearing
     * @param int         $held        they have arrived, and wait for the hour at which mail comes in; some were put off besides
     * @param int         $overdue     of the tasks
     * @param int         $troubles    messages that did not go out
     * @param int         $leftOut     of what came, what could not be taken in
     * @param string|null $nextReturn  the next moment at which something comes back
     * @param string|null $comesIn     when mail that is held back comes in; null when nothing is held back
     * @param string      $now         the moment for which all this holds
     */
    public function __construct(
        public int $tray,
        public int $tasks,
        public int $overdue,
        public int $away,
        public int $forClearing,
        public int $held,
        public int $bin,
        public int $blocked,
        public int $decidedToday,
        public int $owed,
        public int $drafts,
        public int $troubles,
        public int $leftOut,
        public ?string $nextReturn,
        public ?string $comesIn,
        public string $now,
    ) {
    }
}

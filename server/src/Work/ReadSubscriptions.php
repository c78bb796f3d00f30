<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use ZippyTray\Server\Calendar\Subscription\ReadSubscription;

/**
 * Reads the calendars of others that are to be read. Servers can be slow: what does not come to its turn soon does the next time.
 */
final readonly class ReadSubscriptions implements LongChore
{
    /** In seconds; no other is begun after them. */
    private const ENOUGH = 5;

    public function __construct(private ReadSubscription $read)
    {
    }

    public function name(): string
    {
        return 'subscriptions';
    }

    public function every(): int
    {
        return 10;
    }

    public function do(\DateTimeImmutable $now): void
    {
        $begun = microtime(true);
        foreach ($this->read->due($now) as $id) {
            if (microtime(true) - $begun > self::ENOUGH) {
                return;
            }
            ($this->read)($id, $now);
        }
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use Psr\Clock\ClockInterface;
use ZippyTray\Server\Calendar\Subscription\ReadSubscription;

/**
 * Reads the calendars of others that are to be read. Servers can be slow: what does not come to its turn soon does the next time.
 */
final readonly class ReadSubscriptions
{
    /** In seconds; no other is begun after them. */
    private const ENOUGH = 5;

    public function __construct(private ReadSubscription $read, private ClockInterface $clock)
    {
    }

    /** @param callable(): bool $isEnding asked before each of them */
    public function __invoke(callable $isEnding): void
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $begun = microtime(true);
        foreach ($this->read->due($now) as $id) {
            if ($isEnding() || microtime(true) - $begun > self::ENOUGH) {
                return;
            }
            ($this->read)($id, $now);
        }
    }
}

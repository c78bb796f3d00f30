<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use ZippyTray\Server\Store\Statistics;

/**
 * Keeps the query planner's knowledge current.
 */
final readonly class TidyDatabase implements Chore
{
    public function __construct(private Statistics $statistics)
    {
    }

    public function name(): string
    {
        return 'tidy-database';
    }

    public function every(): int
    {
        return 24 * 3600;
    }

    public function do(\DateTimeImmutable $now): void
    {
        $this->statistics->refresh();
    }
}

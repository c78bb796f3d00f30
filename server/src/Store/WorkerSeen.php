<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Connection;

/**
 * Whether somebody works in the background. It is told by the clock of the machine, since that of a demo can be moved.
 */
final readonly class WorkerSeen
{
    /** Seconds between two signs of life. */
    public const EVERY = 20;

    /** Seconds after which a worker that gave none is taken for gone. */
    private const GONE = 120;

    public function __construct(private Connection $connection)
    {
    }

    public function note(): void
    {
        $this->connection->executeStatement(
            'INSERT INTO worker_seen (id, seen_at) VALUES (1, ?) ON CONFLICT (id) DO UPDATE SET seen_at = excluded.seen_at',
            [gmdate('Y-m-d\TH:i:s\Z')],
        );
    }

    public function isThere(): bool
    {
        $seen = $this->connection->fetchOne('SELECT seen_at FROM worker_seen');

        return \is_string($seen) && abs(time() - (int) strtotime($seen)) < self::GONE;
    }
}

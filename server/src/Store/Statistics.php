<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Connection;

/**
 * What SQLite's planner knows of the tables. No query depends on it (the test of plans looks at each with and without), but
 * with it the planner is wrong less often.
 */
final readonly class Statistics
{
    /** Rows of an index that are looked at, so that it takes milliseconds however much there is. */
    private const LIMIT = 400;

    public function __construct(private Connection $connection)
    {
    }

    public function refresh(): void
    {
        $this->connection->executeStatement('PRAGMA analysis_limit='.self::LIMIT);
        $this->connection->executeStatement('ANALYZE');
    }
}

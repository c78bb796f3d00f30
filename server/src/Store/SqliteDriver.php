<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Middleware\AbstractConnectionMiddleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;

/**
 * Opens the database so that several requests can work in it at once.
 */
final class SqliteDriver extends AbstractDriverMiddleware
{
    /** How long a statement waits for others that write. */
    public const BUSY_TIMEOUT_MS = 10_000;

    public function connect(#[\SensitiveParameter] array $params): Connection
    {
        $connection = parent::connect($params);
        $connection->exec(\sprintf('PRAGMA busy_timeout=%d', self::BUSY_TIMEOUT_MS));
        $connection->exec('PRAGMA journal_mode=WAL');
        $connection->exec('PRAGMA synchronous=NORMAL');
        $connection->exec('PRAGMA foreign_keys=ON');

        return new class($connection) extends AbstractConnectionMiddleware {
            /**
             * Takes the write lock at once. A transaction that reads first and writes later could
             * find that another one wrote in between, and would fail without waiting.
             */
            public function beginTransaction(): void
            {
                $this->exec('BEGIN IMMEDIATE');
            }

            public function commit(): void
            {
                $this->exec('COMMIT');
            }

            public function rollBack(): void
            {
                $this->exec('ROLLBACK');
            }
        };
    }
}

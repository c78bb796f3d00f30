<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Middleware\AbstractConnectionMiddleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;
use Doctrine\DBAL\Driver\Statement;
use ZippyTray\Server\DataFolder;

/**
 * Opens the database so that several requests can work in it at once.
 */
final class SqliteDriver extends AbstractDriverMiddleware
{
    /** How long a statement waits for others that write. */
    public const BUSY_TIMEOUT_MS = 10_000;

    /** A file beside the database that says that there is one. */
    public const MADE = 'database-made';

    public function connect(#[\SensitiveParameter] array $params): Connection
    {
        $file = \is_string($params['path'] ?? null) ? $params['path'] : '';
        self::check($file);
        $connection = parent::connect($params);
        $connection->exec(\sprintf('PRAGMA busy_timeout=%d', self::BUSY_TIMEOUT_MS));
        $connection->exec('PRAGMA journal_mode=WAL');
        $connection->exec('PRAGMA synchronous=NORMAL');
        $connection->exec('PRAGMA foreign_keys=ON');
        $connection->exec('PRAGMA cache_size=-16000');

        return new class($connection) extends AbstractConnectionMiddleware {
            /** As many as a process uses again and again. */
            private const KEPT = 150;

            /** @var array<string, KeptStatement> by their SQL */
            private array $kept = [];

            public function prepare(string $sql): Statement
            {
                if (false === ($this->kept[$sql] ?? null)?->isBusy()) {
                    return $this->kept[$sql];
                }
                if (\count($this->kept) >= self::KEPT) {
                    array_shift($this->kept);
                }

                return $this->kept[$sql] = new KeptStatement(parent::prepare($sql), function () use ($sql): void {
                    unset($this->kept[$sql]);
                });
            }

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

    /** From now on an empty place is a loss. */
    public static function noteMade(): void
    {
        $file = DataFolder::path().'/'.self::MADE;
        is_file($file) || DataFolder::write(
            $file,
            "There is a database beside this file. When it is empty or gone, the program says so instead of making a new one.\n",
        );
    }

    /** @throws DatabaseTrouble when what was there is gone or cut off */
    private static function check(string $file): void
    {
        clearstatcache(true, $file);
        $size = is_file($file) ? (int) filesize($file) : 0;
        if (0 === $size) {
            is_file(\dirname($file).'/'.self::MADE) ? throw DatabaseTrouble::gone() : null;

            return;
        }
        // The header says how many pages there are, and of which size; what is still in the write-ahead log comes on top
        // (SQLite's file format, 1.3). Pages that only the log has are not counted before they are written.
        $header = (string) file_get_contents($file, length: 100);
        $page = \strlen($header) >= 100 && str_starts_with($header, "SQLite format 3\0") ? (unpack('n', $header, 16) ?: [1 => 0])[1] : 0;
        $pages = $page > 0 ? (unpack('N', $header, 28) ?: [1 => 0])[1] : 0;
        $page = 1 === $page ? 65_536 : $page;
        if (\is_int($page)
            && \is_int($pages)
            && $page > 0
            && $size < $page * $pages
            && 0 === (is_file($file.'-wal') ? (int) filesize($file.'-wal') : 0)) {
            throw DatabaseTrouble::truncated();
        }
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Connection;
use ZippyTray\Server\DataFolder;

/**
 * How often something ended the process that did it, by taking all memory for example. What did that twice is not begun
 * again. A process that was stopped from outside says nothing against what it did.
 */
final class Attempts
{
    private const MOST = 2;

    private ?string $current = null;

    private bool $isWatched = false;

    public function __construct(private readonly Connection $connection)
    {
    }

    /** @return bool false when it is better left */
    public function begin(string $what): bool
    {
        $times = $this->connection->fetchOne('SELECT times FROM attempt WHERE what = ?', [$what]);
        if (is_numeric($times) && (int) $times >= self::MOST) {
            return false;
        }
        if (!$this->isWatched) {
            register_shutdown_function($this->note(...));
            $this->isWatched = true;
        }
        $this->current = $what;

        return true;
    }

    /** It came to an end, whichever. */
    public function end(): void
    {
        $this->current = null;
    }

    /** It was left: somebody may bring it once more. */
    public function forget(string $what): void
    {
        $this->connection->executeStatement('DELETE FROM attempt WHERE what = ?', [$what]);
    }

    /** Called when the process ends. There may be no memory left, and a transaction may be open, which ends with it. */
    private function note(): void
    {
        if (null === $this->current || null === error_get_last()) {
            return;
        }
        $database = new \PDO(
            'sqlite:'.DataFolder::path().'/zippy-tray.sqlite',
            options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION, \PDO::ATTR_TIMEOUT => 10],
        );
        if ($this->connection->isTransactionActive()) {
            $this->connection->rollBack();
        }
        $database->prepare(
            'INSERT INTO attempt (what, times) VALUES (?, 1) ON CONFLICT (what) DO UPDATE SET times = times + 1',
        )->execute([$this->current]);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use Doctrine\DBAL\Connection;
use ZippyTray\Server\Store\StoredNow;

/**
 * Forgets reminders that were answered long ago. Until then they are known, so that a clock which is set back does not
 * make them come twice.
 */
final readonly class OldRings implements Chore
{
    public function __construct(private Connection $connection)
    {
    }

    public function name(): string
    {
        return 'old-reminders';
    }

    public function every(): int
    {
        return 24 * 3600;
    }

    public function do(\DateTimeImmutable $now): void
    {
        $this->connection->executeStatement('DELETE FROM ring WHERE answered_at < ?', [StoredNow::of($now->modify('-400 days'))]);
    }
}

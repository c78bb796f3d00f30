<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use Doctrine\DBAL\Connection;
use ZippyTray\Server\Store\StoredNow;

/**
 * Removes files that were put down in a form which was then given up. What a task, a thing to look up, a message that goes out or
 * the journal names stays,
 * since undoing may bring it back.
 */
final readonly class LooseFiles implements Chore
{
    public function __construct(private Connection $connection)
    {
    }

    public function name(): string
    {
        return 'loose-files';
    }

    public function every(): int
    {
        return 6 * 3600;
    }

    public function do(\DateTimeImmutable $now): void
    {
        $this->connection->executeStatement(
            'DELETE FROM file WHERE added_at < ?
             AND NOT EXISTS (SELECT 1 FROM task t, json_each(t.files) j WHERE t.account_id = file.account_id AND j.value = file.id)
             AND NOT EXISTS (SELECT 1 FROM reference r WHERE r.file_id = file.id)
             AND NOT EXISTS (SELECT 1 FROM outgoing o, json_each(o.letter -> \'$.files\') j WHERE o.account_id = file.account_id
             AND j.value = file.id)
             AND NOT EXISTS (SELECT 1 FROM journal_entry e WHERE e.account_id = file.account_id AND INSTR(e.changes, file.id) > 0)',
            [StoredNow::of($now->modify('-2 days'))],
        );
    }
}

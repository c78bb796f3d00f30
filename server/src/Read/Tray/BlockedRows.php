<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\AccountId;
use ZippyTray\Server\Store\Row;

/**
 * The list of blocked senders.
 */
final readonly class BlockedRows
{
    public function __construct(private Connection $connection)
    {
    }

    /** @return list<array{id: string, pattern: string, domain: bool, since: string, conversations: int}> the one blocked last first */
    public function all(AccountId $accountId): array
    {
        $rows = $this->connection->fetchAllAssociative(
            "SELECT b.*, (SELECT COUNT(*) FROM conversation c WHERE c.account_id = b.account_id AND c.place = 'blocked' AND (
                LOWER(c.latest_email) = b.pattern
                OR (b.pattern LIKE '@%' AND (LOWER(c.latest_email) LIKE '%' || b.pattern
                OR LOWER(c.latest_email) LIKE '%.' || SUBSTR(b.pattern, 2))))) AS conversations
             FROM blocked_sender b WHERE b.account_id = ? ORDER BY b.since DESC, b.pattern",
            [$accountId],
        );

        return array_map(static function (array $columns): array {
            $row = new Row($columns);

            return [
                'id' => $row->string('id'),
                'pattern' => ltrim($row->string('pattern'), '@'),
                'domain' => str_starts_with($row->string('pattern'), '@'),
                'since' => $row->string('since'),
                'conversations' => $row->int('conversations'),
            ];
        }, $rows);
    }
}

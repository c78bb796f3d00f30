<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Tray\Clearing;
use ZippyTray\Core\Tray\Pace;
use ZippyTray\Server\Store\Row;

/**
 * How clearings go, or went.
 */
final readonly class Clearings
{
    /** So many decisions tell the person's pace. */
    private const PACE_OF = 100;

    public function __construct(private Connection $connection)
    {
    }

    /** What was decided in it and still holds, and the person's pace. */
    public function of(Clearing $clearing): ClearingView
    {
        $rows = $this->connection->fetchAllAssociative(
            "SELECT e.kind, COUNT(DISTINCT t.object_id) AS decided, MAX(e.done_at) AS last FROM journal_entry e
             JOIN journal_touch t ON t.entry_id = e.id AND t.kind = 'conversation'
             WHERE e.account_id = ? AND e.clearing_id = ? AND e.undone_by IS NULL GROUP BY e.kind ORDER BY decided DESC, e.kind",
            [$clearing->accountId, $clearing->id],
        );
        $touches = $this->connection->fetchOne(
            'SELECT COUNT(*) FROM conversation_touch t JOIN conversation c ON c.id = t.conversation_id WHERE c.account_id = ? AND '
                .'t.occasion = ? AND (c.decided_at IS NULL OR c.decided_at < t.touched_at)',
            [$clearing->accountId, $clearing->id],
        );

        return ClearingView::of(
            $clearing,
            array_map(static fn (array $row): Row => new Row($row), $rows),
            is_numeric($touches) ? (int) $touches : 0,
            $this->pace($clearing->accountId),
        );
    }

    /** @return float seconds a conversation */
    private function pace(AccountId $accountId): float
    {
        /** @var list<array{clearing_id: string, done_at: string}> $rows */
        $rows = $this->connection->fetchAllAssociative(
            "SELECT clearing_id, done_at FROM journal_entry WHERE account_id = ? AND clearing_id IS NOT NULL AND kind <> 'undo'
                ORDER BY number DESC LIMIT ".self::PACE_OF,
            [$accountId],
        );

        return Pace::of(array_map(
            static fn (array $row): array => ['clearing' => $row['clearing_id'], 'at' => new \DateTimeImmutable($row['done_at'])],
            array_reverse($rows),
        ));
    }
}

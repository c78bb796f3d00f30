<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use Doctrine\DBAL\Connection;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Read\Tray\Advices;
use ZippyTray\Server\Read\Tray\ConversationRows;
use ZippyTray\Server\Store\Row;

/**
 * Notes how much conversations matter where the tray holds more of them than are shown, so that the right ones are; a part of them
 * at a time, those first that never were weighed, then those whose weight is the oldest.
 */
final readonly class WeighTray
{
    private const AT_ONCE = 500;

    public function __construct(private Connection $connection, private Accounts $accounts, private Advices $advices)
    {
    }

    /** @return int how many were weighed */
    public function __invoke(): int
    {
        $weighed = 0;
        foreach ($this->connection->fetchAllAssociative(
            "SELECT k.account_id, COALESCE(l.learned_to, 0) AS learned_to FROM conversation_count k
                LEFT JOIN learning l ON l.account_id = k.account_id
                WHERE k.place IN ('tray', 'away') GROUP BY k.account_id HAVING SUM(k.conversations) > ".ConversationRows::TRAY_MOST,
        ) as $columns) {
            $row = new Row($columns);
            $weighed += $this->weigh($row->string('account_id'), $row->int('learned_to'));
        }

        return $weighed;
    }

    private function weigh(string $accountId, int $learnedTo): int
    {
        $ids = array_map(
            static fn (mixed $id): string => \is_string($id) ? $id : '',
            $this->connection->fetchFirstColumn(
                "SELECT c.id FROM conversation c LEFT JOIN conversation_importance i ON i.conversation_id = c.id
                    WHERE c.account_id = :account AND c.place IN ('tray', 'away') AND COALESCE(i.learned_to, -1) < CAST(:learned AS INTEGER)
                    ORDER BY i.learned_to LIMIT ".self::AT_ONCE,
                ['account' => $accountId, 'learned' => $learnedTo],
            ),
        );
        $weighed = [] === $ids ? [] : $this->advices->weighed($this->accounts->get($accountId), $ids);
        $scores = [];
        foreach ($ids as $id) {
            // What is not read yet matters as little as anything until it is.
            $scores[] = [$id, ($weighed[$id] ?? null)?->score() ?? 0];
        }
        $this->connection->executeStatement(
            'INSERT INTO conversation_importance (conversation_id, account_id, score, learned_to)
                SELECT j.value ->> 0, ?, j.value ->> 1, ? FROM json_each(?) j JOIN conversation c ON c.id = j.value ->> 0
                ON CONFLICT (conversation_id) DO UPDATE SET score = excluded.score, learned_to = excluded.learned_to',
            [$accountId, $learnedTo, json_encode($scores, \JSON_THROW_ON_ERROR)],
        );

        return \count($ids);
    }
}

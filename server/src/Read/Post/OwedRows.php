<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Post;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * What others owe, as it is shown.
 */
final readonly class OwedRows
{
    /** Days for which what was settled is still shown. */
    private const SETTLED = 14;

    public function __construct(private Connection $connection, private ClockInterface $clock)
    {
    }

    /**
     * @return list<OwedRow> what is open, the nearest first, then what was settled, the newest first
     */
    public function of(Account $account): array
    {
        return $this->rows(
            "o.state = 'open' OR o.settled_at >= :since",
            $account,
            ['since' => StoredNow::of(
                \DateTimeImmutable::createFromInterface($this->clock->now())->modify(\sprintf('-%d days', self::SETTLED)),
            )],
        );
    }

    /** @return list<OwedRow> what was asked for in a conversation */
    public function in(Account $account, ConversationId $conversationId): array
    {
        return $this->rows('o.conversation_id = :conversation', $account, ['conversation' => $conversationId->text]);
    }

    /** @return list<OwedRow> what somebody owes, or owed */
    public function by(Account $account, string $email): array
    {
        return $this->rows('LOWER(o.person_email) = :email', $account, ['email' => mb_strtolower($email)]);
    }

    /**
     * @param array<string, string> $parameters
     *
     * @return list<OwedRow>
     */
    private function rows(string $where, Account $account, array $parameters): array
    {
        $now = StoredNow::of($this->clock->now());
        $rows = $this->connection->fetchAllAssociative(
            "SELECT o.*, c.id AS found_conversation, c.subject, t.id AS found_task, t.title FROM owed o
             LEFT JOIN conversation c ON c.id = o.conversation_id AND c.account_id = o.account_id
             LEFT JOIN task t ON t.id = o.task_id AND t.account_id = o.account_id
             WHERE o.account_id = :account AND ({$where}) ORDER BY o.state <> 'open', CASE WHEN o.state = 'open' THEN o.until END,
             o.settled_at DESC, o.asked_at, o.id",
            $parameters + ['account' => $account->id],
        );

        return array_map(static fn (array $columns): OwedRow => OwedRow::of(new Row($columns), $now), $rows);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Tray\RestCheck;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\LeftThere;
use ZippyTray\Server\Store\Ports\DecidedMailStore;
use ZippyTray\Server\Store\Row;

/**
 * The older part of an inbox, which is looked through before it is archived.
 */
final readonly class OlderRows
{
    /** Copies that are looked through at a time. */
    private const PAGE = 500;

    public function __construct(private Connection $connection, private ConversationRows $rows, private Advices $advices)
    {
    }

    /**
     * What there is of it in the archive, a part at a time, with what had better stay.
     *
     * @param string $after `next` of the part before; empty for the first
     *
     * @return array{
     *     conversations: list<array{id: string, revision: int}>,
     *     held: list<array{row: ConversationRow, reason: string, because: string}>, next: string|null
     * } each conversation once
     */
    public function page(Account $account, int $mailbox, string $after = ''): array
    {
        [$left, $earlier] = [LeftThere::COPY, LeftThere::EARLIER];
        $found = array_map(static fn (array $columns): Row => new Row($columns), $this->connection->fetchAllAssociative(
            "SELECT c.id AS at, x.conversation_id AS id, v.place = 'archive' AND NOT EXISTS (
                    SELECT 1 FROM conversation_message y JOIN server_copy e ON e.message_id = y.message_id
                    WHERE y.conversation_id = x.conversation_id AND e.id < c.id AND e.mailbox = c.mailbox AND {$earlier}
                ) AS first
             FROM server_copy c JOIN conversation_message x ON x.message_id = c.message_id JOIN conversation v ON v.id = x.conversation_id
             WHERE c.account_id = ? AND c.mailbox = ? AND {$left} AND c.id > ? ORDER BY c.id LIMIT ".self::PAGE,
            [$account->id, $mailbox, (int) $after],
        ));
        $ids = array_values(array_unique(array_map(
            static fn (Row $row): string => $row->string('id'),
            array_filter($found, static fn (Row $row): bool => $row->bool('first')),
        )));
        $weighed = $this->advices->weighed($account, $ids);
        $answered = $this->answered($ids);
        $conversations = $held = [];
        foreach ($this->rows->some($account, $ids, $weighed) as $row) {
            $check = RestCheck::ofOlder(($weighed[$row->id] ?? null)?->advice, ...$answered[$row->id] ?? [false, false]);
            $conversations[] = ['id' => $row->id, 'revision' => $row->revision];
            null === $check || $held[] = ['row' => $row, 'reason' => $check->reason, 'because' => $check->because->value];
        }

        return [
            'conversations' => $conversations,
            'held' => $held,
            'next' => \count($found) < self::PAGE ? null : end($found)->string('at'),
        ];
    }

    /**
     * @param list<string> $ids
     *
     * @return array<string, array{bool, bool}> of each conversation: whether the person wrote last, and whether never. What is marked as
     *                                          answered on the server was answered by another program, whose copy may lie elsewhere
     */
    private function answered(array $ids): array
    {
        $answered = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT x.conversation_id, m.own, '.DecidedMailStore::BY_ITSELF.', EXISTS (
                SELECT 1 FROM server_copy c WHERE c.message_id = m.id AND c.answered
             ) AS answered FROM conversation_message x JOIN message m ON m.id = x.message_id
             WHERE x.conversation_id IN (SELECT value FROM json_each(?)) ORDER BY m.sent_at, m.id',
            [json_encode($ids, \JSON_THROW_ON_ERROR)],
        ) as $columns) {
            $row = new Row($columns);
            if ($row->bool('by_itself')) {
                continue;
            }
            [, $isNever] = $answered[$row->string('conversation_id')] ?? [false, true];
            $isLast = $row->bool('own') || $row->bool('answered');
            $answered[$row->string('conversation_id')] = [$isLast, $isNever && !$isLast];
        }

        return $answered;
    }
}

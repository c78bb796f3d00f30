<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Journal;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\NotFound;
use ZippyTray\Server\Store\Row;

/**
 * Lists of journal entries, the newest first.
 */
final readonly class EntryRows
{
    public const PAGE = 100;

    /** A task made of a message counts once, not twice, and lists not at all. */
    private const SELECT = "SELECT e.id, e.number, e.done_at, e.kind, e.about, e.consequence, e.undoes, e.undone_by, e.things,
            u.kind AS undone_kind, u.number AS undone_number,
            MAX((SELECT COUNT(*) FROM journal_touch t WHERE t.entry_id = e.id AND t.kind = 'conversation'),
                (SELECT COUNT(*) FROM journal_touch t WHERE t.entry_id = e.id AND t.kind = 'task')) AS decided,
            (SELECT t.object_id FROM journal_touch t WHERE t.entry_id = e.id AND t.kind = 'outgoing') AS outgoing,
            (SELECT GROUP_CONCAT(DISTINCT t.kind) FROM journal_touch t WHERE t.entry_id = e.id) AS touched
        FROM journal_entry e LEFT JOIN journal_entry u ON u.id = e.undoes";

    public function __construct(private Connection $connection)
    {
    }

    /**
     * @param int|null $before only entries with a smaller number
     *
     * @return array{entries: list<EntryRow>, more: bool}
     */
    public function page(AccountId $accountId, ?int $before): array
    {
        $rows = $this->connection->fetchAllAssociative(
            self::SELECT.' WHERE e.account_id = ? AND e.number < ? ORDER BY e.number DESC LIMIT '.(self::PAGE + 1),
            [$accountId, $before ?? \PHP_INT_MAX],
        );

        return ['entries' => self::views(\array_slice($rows, 0, self::PAGE)), 'more' => \count($rows) > self::PAGE];
    }

    /** @return list<EntryRow> */
    public function about(AccountId $accountId, ObjectRef $object): array
    {
        return self::views($this->connection->fetchAllAssociative(
            self::SELECT.' WHERE +e.account_id = ? AND e.id IN (SELECT entry_id FROM journal_touch WHERE kind = ? AND object_id = ?) ORDER '
                .'BY e.number DESC',
            [$accountId, $object->kind->value, $object->id],
        ));
    }

    /** @return list<EntryRow> what was done with a conversation, what it bears and what orders did with it */
    public function ofConversation(AccountId $accountId, string $id): array
    {
        return self::views($this->connection->fetchAllAssociative(
            self::SELECT." WHERE +e.account_id = :account AND e.id IN (
                SELECT entry_id FROM journal_touch WHERE kind = 'conversation' AND object_id = :id
                UNION SELECT entry_id FROM order_effect WHERE conversation_id = :id
                UNION SELECT t.entry_id FROM conversation_label x JOIN journal_touch t ON t.kind = 'borne' AND t.object_id = x.id
                WHERE x.conversation_id = :id) ORDER BY e.number DESC",
            ['account' => $accountId, 'id' => $id],
        ));
    }

    /**
     * @param list<string> $ids
     *
     * @return array<string, EntryRow> by id
     */
    public function some(AccountId $accountId, array $ids): array
    {
        return array_column(self::views($this->connection->fetchAllAssociative(
            self::SELECT.' WHERE +e.account_id = ? AND e.id IN (SELECT value FROM json_each(?))',
            [$accountId, json_encode($ids, \JSON_THROW_ON_ERROR)],
        )), null, 'id');
    }

    public function of(Entry $entry): EntryRow
    {
        return self::views($this->connection->fetchAllAssociative(
            self::SELECT.' WHERE +e.account_id = ? AND e.id = ?',
            [$entry->accountId, $entry->id],
        ))[0]
            ?? throw new NotFound('journal entry', $entry->id->text);
    }

    /**
     * @param list<array<string, mixed>> $rows
     *
     * @return list<EntryRow>
     */
    private static function views(array $rows): array
    {
        return array_map(static fn (array $row): EntryRow => EntryRow::of(new Row($row)), $rows);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Lists;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Journal\EntryRow;
use ZippyTray\Server\Read\Journal\EntryRows;
use ZippyTray\Server\Store\Row;

/**
 * What came into a list, went and moved in it: the messages of its conversations, and what was done, the newest first.
 *
 * @phpstan-type Item array{
 *     kind: string, at: string, entry: EntryRow|null,
 *     message: array{id: string, who: string, subject: string, own: bool, conversation: string}|null
 * }
 */
final readonly class ListHistory
{
    /** So many at once. */
    public const PAGE = 100;

    /** What happened, by the list that tells of it and by the conversations that are in it now. */
    private const KEYS = "SELECT 'entry' AS kind, e.id, e.done_at AS at, e.number FROM (
            SELECT entry_id FROM list_entry WHERE list_id = :list
            UNION SELECT t.entry_id FROM card x CROSS JOIN journal_touch t ON t.kind = 'conversation' AND t.object_id = x.conversation_id
            WHERE x.account_id = :account AND x.list_id = :list
        ) w CROSS JOIN journal_entry e ON e.id = w.entry_id WHERE +e.account_id = :account
        UNION ALL SELECT 'message', m.id, m.sent_at, 0 FROM card x
        CROSS JOIN conversation_message n ON n.conversation_id = x.conversation_id CROSS JOIN message m ON m.id = n.message_id
        WHERE x.account_id = :account AND x.list_id = :list";

    public function __construct(private Connection $connection, private EntryRows $entries)
    {
    }

    /**
     * @param string $after what `next` was of the part before; empty for the first
     *
     * @return array{items: list<Item>, next: string|null}
     */
    public function page(Account $account, ListId $listId, string $after = ''): array
    {
        [$at, $number, $id] = explode(' ', $after, 3) + ['', '', ''];
        $rows = array_map(static fn (array $columns): Row => new Row($columns), $this->connection->fetchAllAssociative(
            'SELECT * FROM ('.self::KEYS.')'.('' === $after ? '' : ' WHERE (at, number, id) < (:at, CAST(:number AS INTEGER), :id)')
                .' ORDER BY at DESC, number DESC, id DESC LIMIT '
                .(self::PAGE + 1),
            [
                'account' => $account->id->text,
                'list' => $listId->text,
            ] + ('' === $after ? [] : ['at' => $at, 'number' => $number, 'id' => $id]),
        ));
        $part = \array_slice($rows, 0, self::PAGE);
        $of = static fn (string $kind): array => array_values(array_map(
            static fn (Row $row): string => $row->string('id'),
            array_filter($part, static fn (Row $row): bool => $kind === $row->string('kind')),
        ));
        $entries = $this->entries->some($account->id, $of('entry'));
        $messages = $this->messages($of('message'));
        $last = end($part);

        return [
            'items' => array_map(static fn (Row $row): array => [
                'kind' => $row->string('kind'),
                'at' => $row->string('at'),
                'entry' => $entries[$row->string('id')] ?? null,
                'message' => $messages[$row->string('id')] ?? null,
            ], $part),
            'next' => \count($rows) > self::PAGE && false !== $last ? implode(
                ' ',
                [$last->string('at'), $last->int('number'), $last->string('id')],
            ) : null,
        ];
    }

    /**
     * @param list<string> $ids
     *
     * @return array<string, array{id: string, who: string, subject: string, own: bool, conversation: string}> by id
     */
    private function messages(array $ids): array
    {
        $found = [];
        foreach ($this->connection->fetchAllAssociative(
            "SELECT m.id, COALESCE(NULLIF(m.sender ->> '$.name', ''), m.sender ->> '$.email', '') AS who, m.subject, m.own,
                n.conversation_id FROM json_each(?) j CROSS JOIN message m ON m.id = j.value
             CROSS JOIN conversation_message n ON n.message_id = m.id",
            [json_encode($ids, \JSON_THROW_ON_ERROR)],
        ) as $columns) {
            $row = new Row($columns);
            $found[$row->string('id')] = [
                'id' => $row->string('id'),
                'who' => $row->string('who'),
                'subject' => $row->string('subject'),
                'own' => $row->bool('own'),
                'conversation' => $row->string('conversation_id'),
            ];
        }

        return $found;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Lists;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Row;

/**
 * Things to look up.
 */
final readonly class ReferenceRows
{
    /** So many at once. */
    public const PAGE = 200;

    private const SELECT = "SELECT r.*, f.name AS file_name, f.type AS file_type, f.size AS file_size, s.sent_at,
            COALESCE(NULLIF(json_extract(s.sender, '$.name'), ''), json_extract(s.sender, '$.email')) AS who,
            m.conversation_id, l.name AS list_name, l.colour AS list_colour, l.stages AS list_stages, NULL AS stage
        FROM reference r JOIN task_list l ON l.id = r.list_id LEFT JOIN file f ON f.id = r.file_id
        LEFT JOIN source_copy s ON s.id = r.source_id LEFT JOIN conversation_message m ON m.message_id = s.message_id
        WHERE r.account_id = :account AND ";

    public function __construct(private Connection $connection)
    {
    }

    /**
     * @param string $after what `next` was of the part before; empty for the first
     *
     * @return array{references: list<ReferenceView>, next: string|null, total: int} in their order
     */
    public function page(Account $account, ListId $listId, string $after = ''): array
    {
        $with = ['account' => $account->id->text, 'list' => $listId->text];
        [$rank, $id] = explode(' ', $after, 2) + ['', ''];
        $rows = $this->connection->fetchAllAssociative(
            self::SELECT.'r.list_id = :list AND (r.rank, r.id) > (:rank, :id) ORDER BY r.rank, r.id LIMIT '.(self::PAGE + 1),
            $with + ['rank' => $rank, 'id' => $id],
        );
        $part = array_map(static fn (array $columns): Row => new Row($columns), \array_slice($rows, 0, self::PAGE));
        $last = end($part);
        $total = $this->connection->fetchOne('SELECT COUNT(*) FROM reference r WHERE r.account_id = :account AND r.list_id = :list', $with);

        return [
            'references' => array_map(ReferenceView::of(...), $part),
            'next' => \count($rows) > self::PAGE && false !== $last ? $last->string('rank').' '.$last->string('id') : null,
            'total' => is_numeric($total) ? (int) $total : 0,
        ];
    }

    /**
     * @param list<string> $ids
     *
     * @return list<ReferenceView> those that there are, in that order
     */
    public function some(Account $account, array $ids): array
    {
        $found = [];
        foreach ($this->connection->fetchAllAssociative(
            self::SELECT.'r.id IN (SELECT value FROM json_each(:ids))',
            ['account' => $account->id->text, 'ids' => json_encode($ids, \JSON_THROW_ON_ERROR)],
        ) as $columns) {
            $view = ReferenceView::of(new Row($columns));
            $found[$view->id] = $view;
        }

        return array_values(array_filter(array_map(static fn (string $id): ?ReferenceView => $found[$id] ?? null, $ids)));
    }
}

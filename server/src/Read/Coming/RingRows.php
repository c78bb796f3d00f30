<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Coming;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Agenda\EventSheets;
use ZippyTray\Server\Read\Task\TaskRows;
use ZippyTray\Server\Read\Tray\ConversationRows;
use ZippyTray\Server\Store\Row;

/**
 * The reminders that have come and wait for an answer.
 */
final readonly class RingRows
{
    public function __construct(
        private Connection $connection,
        private TaskRows $tasks,
        private ConversationRows $conversations,
        private EventSheets $events,
    ) {
    }

    /** @return list<RingRow> in the order in which they came; of tasks that are done and mail that is deleted there are none */
    public function up(Account $account): array
    {
        $rows = array_map(static fn (array $columns): Row => new Row($columns), $this->connection->fetchAllAssociative(
            "SELECT r.* FROM ring r
             LEFT JOIN task t ON r.about_kind = 'task' AND t.id = r.about_id AND t.account_id = r.account_id AND t.completed_at IS NULL
             LEFT JOIN conversation c ON r.about_kind = 'conversation' AND c.id = r.about_id AND c.account_id = r.account_id
             AND c.place NOT IN ('bin', 'blocked')
             LEFT JOIN event e ON r.about_kind = 'event' AND e.id = r.about_id AND e.account_id = r.account_id
             WHERE r.account_id = ? AND r.answered_at IS NULL AND (t.id IS NOT NULL OR c.id IS NOT NULL OR e.id IS NOT NULL)
             ORDER BY r.at, r.id",
            [$account->id],
        ));
        $of = static fn (string $kind): array => array_values(array_map(
            static fn (Row $row): string => $row->string('about_id'),
            array_filter($rows, static fn (Row $row): bool => $kind === $row->string('about_kind')),
        ));
        $tasks = array_column($this->tasks->some($account, $of('task')), null, 'id');
        $conversations = $this->conversations->some($account, $of('conversation'));

        return array_map(
            fn (Row $row): RingRow => RingRow::of(
                $row,
                $tasks[$row->string('about_id')] ?? null,
                $conversations[$row->string('about_id')] ?? null,
                'event' === $row->string('about_kind')
                    ? $this->events->about($account, new EventId($row->string('about_id')), new \DateTimeImmutable($row->string('at')))
                    : null,
            ),
            $rows,
        );
    }
}

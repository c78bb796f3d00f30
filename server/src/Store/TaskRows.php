<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\NotFound;
use ZippyTray\Server\Store\View\Row;
use ZippyTray\Server\Store\View\TaskRow;

/**
 * Lists of tasks, and what they come from.
 */
final readonly class TaskRows
{
    private const SELECT = "SELECT t.*, l.name AS list, s.id AS source_id,
            json_extract(s.sender, '$.name') AS source_name, json_extract(s.sender, '$.email') AS source_email
        FROM task t JOIN task_list l ON l.id = t.list_id
        LEFT JOIN source_copy s ON s.id = json_extract(t.sources, '$[0]')";

    public function __construct(private Connection $connection, private ClockInterface $clock)
    {
    }

    /** @return list<TaskRow> the nearest due first, those without a date last */
    public function open(string $accountId, \DateTimeZone $zone): array
    {
        return $this->rows('t.completed_at IS NULL ORDER BY t.due_date IS NULL, t.due_date, t.due_time IS NULL, t.due_time, t.created_at, t.id', $accountId, [], $zone);
    }

    /** @return list<TaskRow> the one completed last first */
    public function done(string $accountId, \DateTimeZone $zone): array
    {
        return $this->rows('t.completed_at IS NOT NULL ORDER BY t.completed_at DESC, t.id', $accountId, [], $zone);
    }

    /** @throws NotFound */
    public function one(string $accountId, string $id, \DateTimeZone $zone): TaskRow
    {
        return $this->rows('t.id = ?', $accountId, [$id], $zone)[0] ?? throw new NotFound('task', $id);
    }

    /** @return array{open: int, over: int} */
    public function counts(string $accountId, \DateTimeZone $zone): array
    {
        $open = $this->open($accountId, $zone);

        return ['open' => \count($open), 'over' => \count(array_filter($open, static fn (TaskRow $task): bool => $task->over))];
    }

    /**
     * @param list<string> $messageIds
     *
     * @return list<array{id: string, title: string, done: bool}> the tasks that came from one of the messages
     */
    public function ofMessages(string $accountId, array $messageIds): array
    {
        $rows = $this->connection->fetchAllAssociative(
            'SELECT DISTINCT t.id, t.title, t.completed_at FROM source_copy s, task t, json_each(t.sources) j
             WHERE s.account_id = ? AND s.message_id IN (SELECT value FROM json_each(?)) AND t.account_id = s.account_id AND j.value = s.id ORDER BY t.created_at',
            [$accountId, json_encode($messageIds, \JSON_THROW_ON_ERROR)],
        );

        return array_map(static function (array $columns): array {
            $row = new Row($columns);

            return ['id' => $row->string('id'), 'title' => $row->string('title'), 'done' => null !== $row->stringOrNull('completed_at')];
        }, $rows);
    }

    /** @return list<array{id: string, name: string, open: int}> by name */
    public function lists(string $accountId): array
    {
        $rows = $this->connection->fetchAllAssociative(
            'SELECT l.id, l.name, COUNT(t.id) AS open FROM task_list l LEFT JOIN task t ON t.list_id = l.id AND t.completed_at IS NULL
             WHERE l.account_id = ? GROUP BY l.id ORDER BY l.name COLLATE NOCASE',
            [$accountId],
        );

        return array_map(static function (array $columns): array {
            $row = new Row($columns);

            return ['id' => $row->string('id'), 'name' => $row->string('name'), 'open' => $row->int('open')];
        }, $rows);
    }

    /**
     * @param list<string> $parameters
     *
     * @return list<TaskRow>
     */
    private function rows(string $where, string $accountId, array $parameters, \DateTimeZone $zone): array
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());

        return array_map(
            static fn (array $row): TaskRow => TaskRow::of(new Row($row), $now, $zone),
            $this->connection->fetchAllAssociative(self::SELECT." WHERE t.account_id = ? AND {$where}", [$accountId, ...$parameters]),
        );
    }
}

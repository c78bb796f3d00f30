<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\ListColour;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\View\Row;
use ZippyTray\Server\Store\View\TaskRow;

/**
 * Lists of tasks, and what they come from.
 */
final readonly class TaskRows
{
    private const SELECT = "SELECT t.id, t.revision, t.title, t.list_id, t.parent_id, t.rank, t.start_date, t.start_time, t.start_zone, t.due_date, t.due_time, t.due_zone,
            t.estimate, t.priority, t.labels, t.repeats, t.reminders, t.files, t.notes <> '' AS noted, t.completed_at,
            l.name AS list_name, l.colour AS list_colour, p.title AS parent_title, s.id AS source_id,
            json_extract(s.sender, '$.name') AS source_name, json_extract(s.sender, '$.email') AS source_email";

    private const FROM = "FROM task t JOIN task_list l ON l.id = t.list_id
        LEFT JOIN task p ON p.id = t.parent_id
        LEFT JOIN source_copy s ON s.id = (SELECT json_extract(j.value, '$.ref') FROM json_each(t.sources) j WHERE json_extract(j.value, '$.kind') = 'message' LIMIT 1)";

    public function __construct(private Connection $connection, private ClockInterface $clock, private OpenTasks $open)
    {
    }

    /**
     * @param string|null $listId of that list only; null: of all that are not archived
     * @param string      $words  each has to occur in the title, the notes or a label
     *
     * @return list<TaskRow> the nearest due first, those without a date last, alike ones in the person'"'"'s own order
     */
    public function open(Account $account, ?string $listId = null, string $words = ''): array
    {
        return $this->listed($account, 't.completed_at IS NULL', 't.due_date IS NULL, t.due_date, t.due_time IS NULL, t.due_time, l.rank, t.rank, t.created_at, t.id', $listId, $words);
    }

    /** @return list<TaskRow> the one completed last first */
    public function done(Account $account, ?string $listId = null, string $words = ''): array
    {
        return $this->listed($account, 't.completed_at IS NOT NULL', 't.completed_at DESC, t.rank, t.id', $listId, $words);
    }

    /** @throws NotFound */
    public function one(Account $account, string $id): TaskRow
    {
        return $this->rows('t.id = ?', $account, [$id])[0] ?? throw new NotFound('task', $id);
    }

    /**
     * @param list<string> $ids
     *
     * @return list<TaskRow> those that there are, without a set order
     */
    public function some(Account $account, array $ids): array
    {
        return [] === $ids ? [] : $this->rows('t.id IN (SELECT value FROM json_each(?))', $account, [json_encode($ids, \JSON_THROW_ON_ERROR)]);
    }

    /** @return list<TaskRow> the open ones that came from mail of somebody */
    public function fromSender(Account $account, string $email): array
    {
        return $this->rows("t.completed_at IS NULL AND LOWER(json_extract(s.sender, '$.email')) = ?", $account, [mb_strtolower($email)]);
    }

    /** @return list<TaskRow> the open ones that are out of the way until a start of their own */
    public function waiting(Account $account): array
    {
        $tasks = $this->rows('t.completed_at IS NULL AND t.start_date IS NOT NULL AND NOT l.archived', $account, []);
        $now = $account->speaker($this->clock->now())->now;

        return array_values(array_filter($tasks, static fn (TaskRow $task): bool => null !== $task->start && $task->waiting && [$task->start['date'], (string) $task->start['time']] > [(string) $now->date(), (string) $now->time()]));
    }

    /** @return list<TaskRow> all that lies under the task, without a set order */
    public function under(Account $account, string $id): array
    {
        return $this->rows('t.id IN (WITH RECURSIVE below (id) AS (SELECT id FROM task WHERE parent_id = ? UNION SELECT b.id FROM task b JOIN below ON b.parent_id = below.id) SELECT id FROM below)', $account, [$id]);
    }

    /**
     * @param list<string> $messageIds
     *
     * @return list<array{id: string, title: string, done: bool}> the tasks that came from one of the messages
     */
    public function ofMessages(string $accountId, array $messageIds): array
    {
        return $this->links("EXISTS (SELECT 1 FROM json_each(t.sources) j JOIN source_copy s ON s.id = json_extract(j.value, '$.ref') WHERE json_extract(j.value, '$.kind') = 'message' AND s.account_id = t.account_id AND s.message_id IN (SELECT value FROM json_each(?)))", $accountId, json_encode($messageIds, \JSON_THROW_ON_ERROR));
    }

    /** @return list<array{id: string, title: string, done: bool}> the tasks that name the task as a source */
    public function ofTask(string $accountId, string $id): array
    {
        return $this->links("EXISTS (SELECT 1 FROM json_each(t.sources) j WHERE json_extract(j.value, '$.kind') = 'task' AND json_extract(j.value, '$.ref') = ?)", $accountId, $id);
    }

    /** @return array{id: string, title: string, done: bool}|null */
    public function link(string $accountId, string $id): ?array
    {
        return $this->links('t.id = ?', $accountId, $id)[0] ?? null;
    }

    /** @return list<array{id: string, name: string, colour: ListColour, archived: bool, parent: ?string, open: int, over: int, done: int}> in their order, those under another among themselves */
    public function lists(Account $account): array
    {
        $over = $this->open->overByList($account);
        $rows = $this->connection->fetchAllAssociative(
            'SELECT l.id, l.name, l.colour, l.archived, l.parent_id, COALESCE(SUM(t.completed_at IS NULL AND t.id IS NOT NULL AND (t.parent_id IS NULL OR t.due_date IS NOT NULL)), 0) AS open, COALESCE(SUM(t.completed_at IS NOT NULL), 0) AS done
             FROM task_list l LEFT JOIN task t ON t.list_id = l.id LEFT JOIN task_list p ON p.id = l.parent_id WHERE l.account_id = ?
             GROUP BY l.id ORDER BY COALESCE(p.rank, l.rank), COALESCE(p.id, l.id), p.id IS NOT NULL, l.rank, l.id',
            [$account->id],
        );

        return array_map(static function (array $columns) use ($over): array {
            $row = new Row($columns);

            return [
                'id' => $row->string('id'),
                'name' => $row->string('name'),
                'colour' => ListColour::from($row->string('colour')),
                'archived' => $row->bool('archived'),
                'parent' => $row->stringOrNull('parent_id'),
                'open' => $row->int('open'),
                'over' => $over[$row->string('id')] ?? 0,
                'done' => $row->int('done'),
            ];
        }, $rows);
    }

    /** @return list<array{label: string, open: int}> by name */
    public function labels(string $accountId): array
    {
        $rows = $this->connection->fetchAllAssociative(
            'SELECT MIN(j.value) AS label, SUM(t.completed_at IS NULL) AS open FROM task t, json_each(t.labels) j WHERE t.account_id = ? GROUP BY LOWER(j.value) ORDER BY LOWER(j.value)',
            [$accountId],
        );

        return array_map(static fn (array $columns): array => ['label' => (new Row($columns))->string('label'), 'open' => (new Row($columns))->int('open')], $rows);
    }

    /** @return list<array{id: string, title: string, done: bool}> */
    private function links(string $where, string $accountId, string $parameter): array
    {
        $rows = $this->connection->fetchAllAssociative("SELECT t.id, t.title, t.completed_at FROM task t WHERE {$where} AND t.account_id = ? ORDER BY t.created_at, t.id", [$parameter, $accountId]);

        return array_map(static function (array $columns): array {
            $row = new Row($columns);

            return ['id' => $row->string('id'), 'title' => $row->string('title'), 'done' => null !== $row->stringOrNull('completed_at')];
        }, $rows);
    }

    /** @return list<TaskRow> */
    private function listed(Account $account, string $where, string $order, ?string $listId, string $words): array
    {
        $ids = $this->matching($account->id, $words);
        $where .= null === $listId ? ' AND NOT l.archived' : ' AND t.list_id = ?';
        $where .= null === $ids ? '' : ' AND t.id IN (SELECT value FROM json_each(?))';

        return $this->rows("{$where} ORDER BY {$order}", $account, array_values(array_filter([$listId, null === $ids ? null : json_encode($ids, \JSON_THROW_ON_ERROR)], static fn (?string $value): bool => null !== $value)));
    }

    /**
     * SQLite knows capitals of ASCII only, so the words are looked for here.
     *
     * @return list<string>|null ids; null when there is no word
     */
    private function matching(string $accountId, string $words): ?array
    {
        $words = preg_split('/\s+/u', mb_strtolower(trim(mb_scrub($words))), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        if ([] === $words) {
            return null;
        }
        $ids = [];
        foreach ($this->connection->iterateAssociative('SELECT id, title, notes, labels FROM task WHERE account_id = ?', [$accountId]) as $columns) {
            $row = new Row($columns);
            $text = mb_strtolower($row->string('title').' '.$row->string('notes').' '.implode(' ', array_filter($row->json('labels'), \is_string(...))));
            if ([] === array_filter($words, static fn (string $word): bool => !str_contains($text, $word))) {
                $ids[] = $row->string('id');
            }
        }

        return $ids;
    }

    /**
     * @param string       $where      with its parameters in order, of t and l; may end in an ORDER BY
     * @param list<string> $parameters
     *
     * @return list<TaskRow>
     */
    private function rows(string $where, Account $account, array $parameters): array
    {
        $speaker = $account->speaker($this->clock->now());
        $tree = TaskTree::of($this->connection, $account->id, $speaker);

        return array_map(
            static function (array $columns) use ($speaker, $tree): TaskRow {
                $row = new Row($columns);

                return TaskRow::of($row, $speaker, $tree->isWaiting($row->string('id')), $tree->under($row->string('id')));
            },
            $this->connection->fetchAllAssociative(self::SELECT.' '.self::FROM." WHERE t.account_id = ? AND {$where}", [$account->id, ...$parameters]),
        );
    }
}

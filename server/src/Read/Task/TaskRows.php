<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Task;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Label\Label;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\Standing;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Label\LabelRows;
use ZippyTray\Server\Store\Row;

/**
 * Lists of tasks, and what they come from.
 *
 * @phpstan-type TaskLink array{id: string, title: string, done: bool}
 */
final readonly class TaskRows
{
    /** So many at once. */
    public const PAGE = 200;

    private const SELECT = "SELECT t.id, t.revision, t.title, t.list_id, t.parent_id, t.rank,
        t.start_date, t.start_time, t.start_zone, t.due_date, t.due_time, t.due_zone,
            t.estimate, t.priority, t.labels, t.repeats, t.reminders, t.files, t.notes <> '' AS noted, t.completed_at,
            l.name AS list_name, l.colour AS list_colour, l.stages AS list_stages, t.stage, p.title AS parent_title, s.id AS source_id,
            json_extract(s.sender, '$.name') AS source_name, json_extract(s.sender, '$.email') AS source_email
        FROM json_each(?) w CROSS JOIN task t ON t.id = w.value JOIN task_list l ON l.id = t.list_id
        LEFT JOIN task p ON p.id = t.parent_id LEFT JOIN source_copy s ON s.id = ".self::SOURCE;

    /** The copy of the first message that a task came from. */
    private const SOURCE = "(SELECT json_extract(j.value, '$.ref') FROM json_each(t.sources) j WHERE json_extract(j.value, '$.kind') "
        ."= 'message' LIMIT 1)";

    private const OF = 'FROM task t JOIN task_list l ON l.id = t.list_id WHERE t.account_id = ?';

    /** The nearest due first, those without a date last, alike ones in the person's own order. */
    private const BY_DUE = ["COALESCE(t.due_date, '9999')", "COALESCE(t.due_time, '99')", 'l.rank', 't.rank', 't.created_at', 't.id'];

    private const BY_START = ["COALESCE(t.start_date, '')", "COALESCE(t.start_time, '')", 'l.rank', 't.rank', 't.created_at', 't.id'];

    /** The one completed last first. */
    private const BY_COMPLETION = ['t.completed_at DESC', 't.rank', 't.id'];

    public function __construct(
        private Connection $connection,
        private ClockInterface $clock,
        private OpenTasks $open,
        private LabelRows $labels,
    ) {
    }

    /**
     * A part of them.
     *
     * @param bool   $parts whether also what is only a part of another, without a day of its own; that is seen there
     * @param string $after what `next` was of the part before; empty for the first
     *
     * @return array{tasks: list<TaskRow>, next: string|null, total: int} the nearest due first, or start; of what is done, the last first
     */
    public function page(Account $account, TasksWanted $wanted, bool $parts = false, string $after = ''): array
    {
        $tree = $this->tree($account);
        [$where, $parameters] = $this->where($account, $wanted, $tree);
        [$order, $alone] = match ($wanted->state) {
            'open' => [self::BY_DUE, ' AND '.TaskStands::ALONE],
            'waiting' => [self::BY_START, ' AND '.TaskStands::ALONE_WAITING],
            'done' => [self::BY_COMPLETION, ''],
        };
        $alone = $parts ? '' : $alone;
        $total = $this->connection->fetchOne('SELECT COUNT(*) '.self::OF.$where.$alone, $parameters);
        $names = str_replace(' DESC', '', $order);
        if ('' !== $after) {
            $last = array_pad(\array_slice(explode(' ', $after), 0, \count($order)), \count($order), '');
            $alone .= 'done' === $wanted->state ? ' AND t.completed_at <= ? AND (t.completed_at < ? OR (t.rank, t.id) > (?, ?))'
                : ' AND ('.implode(', ', $order).') > (?'.str_repeat(', ?', \count($order) - 1).')';
            $parameters = [...$parameters, ...('done' === $wanted->state ? [$last[0]] : []), ...$last];
        }
        /** @var list<non-empty-list<string>> $keys */
        $keys = $this->connection->fetchAllNumeric(
            'SELECT '.implode(', ', $names).' '.self::OF.$where.$alone.' ORDER BY '.implode(', ', $order).' LIMIT '.self::PAGE,
            $parameters,
        );

        return [
            'tasks' => $this->rows($account, array_map(static fn (array $key): string => end($key), $keys), $tree),
            'next' => \count($keys) < self::PAGE ? null : implode(' ', end($keys)),
            'total' => is_numeric($total) ? (int) $total : 0,
        ];
    }

    /** @return list<TaskRow> all of them, with what is only a part of another; the nearest due first */
    public function all(Account $account, TasksWanted $wanted): array
    {
        $tree = $this->tree($account);
        [$where, $parameters] = $this->where($account, $wanted, $tree);

        return $this->rows($account, $this->ids($where.' ORDER BY '.implode(', ', self::BY_DUE), $parameters), $tree);
    }

    /**
     * @param bool $over with those that were due before
     *
     * @return list<TaskRow> the open ones whose due or start may be on that day, wherever the person is; the nearest due first
     */
    public function near(Account $account, LocalDate $day, bool $over): array
    {
        $around = [(string) $day->plusDays(-1), (string) $day->plusDays(1)];

        return $this->rows($account, $this->ids(
            ' AND t.completed_at IS NULL AND NOT l.archived AND (t.due_date BETWEEN ? AND ? OR t.start_date BETWEEN ? AND ?)
                ORDER BY '.implode(', ', self::BY_DUE),
            [$account->id->text, $over ? '' : $around[0], $around[1], ...$around],
        ));
    }

    /** @throws NotFound */
    public function one(Account $account, TaskId $id): TaskRow
    {
        return $this->rows($account, [$id->text])[0] ?? throw new NotFound('task', $id->text);
    }

    /**
     * @param list<string> $ids
     *
     * @return list<TaskRow> those that there are, in that order
     */
    public function some(Account $account, array $ids): array
    {
        return [] === $ids ? [] : $this->rows($account, $ids);
    }

    /** @return list<TaskRow> the open ones that came from mail of somebody */
    public function fromSender(Account $account, string $email): array
    {
        return $this->rows(
            $account,
            $this->ids(
                " AND t.completed_at IS NULL AND LOWER((SELECT json_extract(s.sender, '$.email') FROM source_copy s
                    WHERE s.id = ".self::SOURCE.')) = ?',
                [$account->id->text, mb_strtolower($email)],
            ),
        );
    }

    /** @return list<array{id: string, title: string, start: Due}> the open ones that are out of the way until a start of their own */
    public function starting(Account $account): array
    {
        $now = $account->profile->speaker($this->clock->now())->now;
        $starting = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT t.id, t.title, t.start_date, t.start_time, t.start_zone '.self::OF.' AND t.completed_at IS NULL AND t.start_date IS '
                .'NOT NULL AND NOT l.archived',
            [$account->id],
        ) as $columns) {
            $row = new Row($columns);
            $start = $row->dueOrNull('start');
            if (null !== $start && Standing::isAhead($start, $now)) {
                $starting[] = ['id' => $row->string('id'), 'title' => $row->string('title'), 'start' => $start];
            }
        }

        return $starting;
    }

    /** @return list<TaskRow> all that lies under the task, without a set order */
    public function under(Account $account, TaskId $id): array
    {
        return $this->rows(
            $account,
            $this->ids(
                ' AND t.id IN (WITH RECURSIVE below (id) AS (SELECT id FROM task WHERE parent_id = ? UNION SELECT b.id FROM task b JOIN '
                    .'below ON b.parent_id = below.id) SELECT id FROM below)',
                [$account->id->text, $id->text],
            ),
        );
    }

    /**
     * @param list<string> $messageIds
     *
     * @return list<TaskLink> the tasks that came from one of the messages
     */
    public function ofMessages(AccountId $accountId, array $messageIds): array
    {
        return $this->links(
            "EXISTS (SELECT 1 FROM json_each(t.sources) j JOIN source_copy s ON s.id = json_extract(j.value, '$.ref')
                WHERE json_extract(j.value, '$.kind') = 'message' AND s.account_id = t.account_id AND s.message_id IN (SELECT value
                FROM json_each(?)))",
            $accountId,
            json_encode($messageIds, \JSON_THROW_ON_ERROR),
        );
    }

    /** @return list<TaskLink> the tasks that name the task as a source */
    public function ofTask(AccountId $accountId, TaskId $id): array
    {
        return $this->links(
            "EXISTS (SELECT 1 FROM json_each(t.sources) j WHERE json_extract(j.value, '$.kind') = 'task'
                AND json_extract(j.value, '$.ref') = ?)",
            $accountId,
            $id->text,
        );
    }

    /** @return TaskLink|null */
    public function link(AccountId $accountId, TaskId $id): ?array
    {
        return $this->links('t.id = ?', $accountId, $id->text)[0] ?? null;
    }

    /**
     * @return list<array{
     *     id: string, name: string, colour: Colour, archived: bool, parent: ?string, open: int, over: int, done: int, conversations: int,
     *     references: int, stages: array<mixed>
     * }> in their order, those under another behind it
     */
    public function lists(Account $account): array
    {
        $over = $this->open->overByList($account);
        $under = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT l.id, l.name, l.colour, l.archived, l.parent_id, l.stages, COALESCE(SUM(t.completed_at IS NULL AND t.id IS NOT NULL
                AND '.TaskStands::ALONE.'), 0) AS open, COALESCE(SUM(t.completed_at IS NOT NULL), 0) AS done,
                (SELECT COUNT(*) FROM card x WHERE x.account_id = l.account_id AND x.list_id = l.id) AS conversations,
                (SELECT COUNT(*) FROM reference r WHERE r.account_id = l.account_id AND r.list_id = l.id) AS things
             FROM task_list l LEFT JOIN task t ON t.list_id = l.id WHERE l.account_id = ? GROUP BY l.id ORDER BY l.rank, l.id',
            [$account->id],
        ) as $columns) {
            $row = new Row($columns);
            $under[$row->string('parent_id')][] = [
                'id' => $row->string('id'),
                'name' => $row->string('name'),
                'colour' => Colour::from($row->string('colour')),
                'archived' => $row->bool('archived'),
                'parent' => $row->stringOrNull('parent_id'),
                'open' => $row->int('open'),
                'over' => $over[$row->string('id')] ?? 0,
                'done' => $row->int('done'),
                'conversations' => $row->int('conversations'),
                'references' => $row->int('things'),
                'stages' => $row->json('stages'),
            ];
        }
        $ordered = [];
        $walk = static function (string $parent) use (&$walk, &$ordered, &$under): void {
            $lists = $under[$parent] ?? [];
            unset($under[$parent]);
            foreach ($lists as $list) {
                $ordered[] = $list;
                $walk($list['id']);
            }
        };
        $walk('');
        // What lies under a list that is gone.
        foreach (array_keys($under) as $parent) {
            $walk((string) $parent);
        }

        return $ordered;
    }

    /** @return list<TaskLink> */
    private function links(string $where, AccountId $accountId, string $parameter): array
    {
        $rows = $this->connection->fetchAllAssociative(
            "SELECT t.id, t.title, t.completed_at FROM task t WHERE {$where} AND t.account_id = ? ORDER BY t.created_at, t.id",
            [$parameter, $accountId],
        );

        return array_map(static function (array $columns): array {
            $row = new Row($columns);

            return ['id' => $row->string('id'), 'title' => $row->string('title'), 'done' => null !== $row->stringOrNull('completed_at')];
        }, $rows);
    }

    /** @return array{string, list<string>} a condition that follows OF, and its parameters with the account's */
    private function where(Account $account, TasksWanted $wanted, TaskTree $tree): array
    {
        $conditions = ['done' === $wanted->state ? 't.completed_at IS NOT NULL' : 't.completed_at IS NULL'];
        $parameters = [$account->id->text];
        if ('done' !== $wanted->state && ('waiting' === $wanted->state || [] !== $tree->waiting())) {
            $conditions[] = 't.id '.('waiting' === $wanted->state ? 'IN' : 'NOT IN').' (SELECT value FROM json_each(?))';
            $parameters[] = json_encode($tree->waiting(), \JSON_THROW_ON_ERROR);
        }
        $conditions[] = null === $wanted->list ? 'NOT l.archived' : 't.list_id = ?';
        $ids = $this->matching($account->id, $wanted->words, $wanted->label);
        if (null !== $wanted->priority) {
            $conditions[] = 't.priority = ?';
        }
        if (null !== $ids) {
            $conditions[] = 't.id IN (SELECT value FROM json_each(?))';
        }
        $more = [$wanted->list, $wanted->priority?->value, null === $ids ? null : json_encode($ids, \JSON_THROW_ON_ERROR)];

        return [
            ' AND '.implode(' AND ', $conditions),
            [...$parameters, ...array_values(array_filter($more, static fn (?string $value): bool => null !== $value))],
        ];
    }

    /**
     * SQLite knows capitals of ASCII only, so the words are looked for here.
     *
     * @return list<string>|null ids; null when there is no word and no label
     */
    private function matching(AccountId $accountId, string $words, string $label): ?array
    {
        $words = preg_split('/\s+/u', mb_strtolower(trim(mb_scrub($words))), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        if ([] === $words && '' === $label) {
            return null;
        }
        $shown = $this->labels->shown($accountId);
        $ids = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT id, title, notes, labels, completed_at IS NOT NULL AS done FROM task WHERE account_id = ?',
            [$accountId],
        ) as $columns) {
            $row = new Row($columns);
            $labels = $shown->borne(array_values(array_filter($row->json('labels'), \is_string(...))), $row->bool('done'));
            $names = array_map(static fn (Label $one): string => $one->name(), $labels);
            $text = mb_strtolower(implode(' ', [$row->string('title'), $row->string('notes'), ...$names]));
            if (('' === $label || \in_array($label, array_map(static fn (Label $one): string => $one->id->text, $labels), true))
                && [] === array_filter($words, static fn (string $word): bool => !str_contains($text, $word))) {
                $ids[] = $row->string('id');
            }
        }

        return $ids;
    }

    /**
     * @param string       $where      follows OF
     * @param list<string> $parameters the account first
     *
     * @return list<string>
     */
    private function ids(string $where, array $parameters): array
    {
        return array_values(array_filter(
            $this->connection->fetchFirstColumn('SELECT t.id '.self::OF.$where, $parameters),
            \is_string(...),
        ));
    }

    private function tree(Account $account): TaskTree
    {
        return TaskTree::of($this->connection, $account->id, $account->profile->speaker($this->clock->now()));
    }

    /**
     * @param list<string> $ids
     *
     * @return list<TaskRow> in that order, those that there are
     */
    private function rows(Account $account, array $ids, ?TaskTree $tree = null): array
    {
        $speaker = $account->profile->speaker($this->clock->now());
        $tree ??= $this->tree($account);
        $labels = $this->labels->shown($account->id);

        return array_map(
            static function (array $columns) use ($speaker, $tree, $labels): TaskRow {
                $row = new Row($columns);

                return TaskRow::of($row, $speaker, $labels, $tree->isWaiting($row->string('id')), $tree->under($row->string('id')));
            },
            $this->connection->fetchAllAssociative(
                self::SELECT.' WHERE +t.account_id = ? ORDER BY w.key',
                [json_encode($ids, \JSON_THROW_ON_ERROR), $account->id],
            ),
        );
    }
}

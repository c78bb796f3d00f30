<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Task;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Task\Standing;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Server\Store\Row;

/**
 * How the tasks of an account lie under one another: how much each holds, and which are out of the way.
 */
final readonly class TaskTree
{
    /**
     * @param array<string, array{open: int, done: int}> $counts  of all that lies under each task
     * @param array<string, true>                        $waiting tasks whose start, or that of what they are a part of, is ahead
     */
    private function __construct(private array $counts, private array $waiting)
    {
    }

    public static function of(Connection $connection, AccountId $accountId, Speaker $speaker): self
    {
        $parents = [];
        $counts = [];
        $waiting = [];
        $open = [];
        foreach ($connection->iterateAssociative(
            'SELECT id, parent_id, completed_at IS NULL AS open, start_date, start_time, start_zone FROM task WHERE account_id = ? AND '
                .'(parent_id IS NOT NULL OR start_date IS NOT NULL OR id IN (SELECT parent_id FROM task))',
            [$accountId],
        ) as $columns) {
            $row = new Row($columns);
            $parents[$row->string('id')] = $row->stringOrNull('parent_id');
            $open[$row->string('id')] = $row->bool('open');
            $start = $row->dueOrNull('start');
            if (null !== $start && Standing::isAhead($start, $speaker->now)) {
                $waiting[$row->string('id')] = true;
            }
        }
        foreach ($parents as $id => $parent) {
            for ($above = $parent; null !== $above; $above = $parents[$above] ?? null) {
                $counts[$above] ??= ['open' => 0, 'done' => 0];
                ++$counts[$above][$open[$id] ? 'open' : 'done'];
                if (isset($waiting[$above])) {
                    $waiting[$id] = true;
                }
            }
        }

        return new self($counts, $waiting);
    }

    /** @return array{open: int, done: int} */
    public function under(string $id): array
    {
        return $this->counts[$id] ?? ['open' => 0, 'done' => 0];
    }

    public function isWaiting(string $id): bool
    {
        return isset($this->waiting[$id]);
    }

    /** @return list<string> ids */
    public function waiting(): array
    {
        return array_keys($this->waiting);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\AccountId;

/**
 * Gives ranks behind all others while many tasks are made in one step, without asking for each.
 */
final class LastRanks
{
    /** @var array<string, string|null> by list and parent */
    private array $last = [];

    public function __construct(private readonly Tasks $tasks)
    {
    }

    public function next(AccountId $accountId, ListId $listId, ?TaskId $parentId): string
    {
        $key = $listId.' '.$parentId;
        if (!\array_key_exists($key, $this->last)) {
            $this->last[$key] = $this->tasks->lastRank($accountId, $listId, $parentId);
        }

        return $this->last[$key] = Rank::between($this->last[$key], null);
    }

    /** Nothing lies under a task that was made a moment ago. */
    public function made(Task $task): void
    {
        $this->last[$task->listId().' '.$task->id] = null;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\SourceCopy;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Task\Tasks;

final readonly class MemoryTasks implements Tasks
{
    public function __construct(private Memory $memory)
    {
    }

    public function get(string $accountId, string $id): Task
    {
        return $this->memory->tasks[$id] ?? throw new NotFound('task', $id);
    }

    public function add(Task $task): void
    {
        $this->memory->tasks[$task->id] = $task;
    }

    public function remove(Task $task): void
    {
        unset($this->memory->tasks[$task->id]);
    }

    public function listNamed(string $accountId, string $name): ?TaskList
    {
        foreach ($this->memory->lists as $list) {
            if (mb_strtolower($list->name()) === mb_strtolower($name)) {
                return $list;
            }
        }

        return null;
    }

    public function addList(TaskList $list): void
    {
        $this->memory->lists[$list->id] = $list;
    }

    public function addSource(SourceCopy $source): void
    {
        $this->memory->copies[$source->id] = $source;
    }
}

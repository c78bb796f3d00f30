<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\SourceCopy;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Task\Tasks;

final readonly class MemoryTasks implements Tasks
{
    public function __construct(private Memory $memory)
    {
    }

    public function get(AccountId $accountId, TaskId $id): Task
    {
        return $this->memory->tasks[$id->text] ?? throw new NotFound('task', $id->text);
    }

    public function add(Task $task): void
    {
        $this->memory->tasks[$task->id->text] = $task;
    }

    public function remove(Task $task): void
    {
        unset($this->memory->tasks[$task->id->text]);
    }

    public function under(array $tasks): array
    {
        $ids = array_map(static fn (Task $task): string => $task->id->text, $tasks);
        $under = array_values(
            array_filter($this->memory->tasks, static fn (Task $task): bool => \in_array($task->parentId()?->text, $ids, true)),
        );

        return [] === $under ? [] : [...$under, ...$this->under($under)];
    }

    public function rankBehind(AccountId $accountId, ListId $listId, ?TaskId $parentId, ?string $rank, array $except = []): ?string
    {
        foreach ($this->beside($listId, $parentId) as $task) {
            if ((null === $rank || $task->rank() > $rank) && !\in_array($task->id->text, array_map(strval(...), $except), true)) {
                return $task->rank();
            }
        }

        return null;
    }

    public function lastRank(AccountId $accountId, ListId $listId, ?TaskId $parentId): ?string
    {
        $beside = $this->beside($listId, $parentId);

        return [] === $beside ? null : $beside[\count($beside) - 1]->rank();
    }

    public function ofList(TaskList $list): array
    {
        return array_values(array_filter($this->memory->tasks, static fn (Task $task): bool => $task->listId()->is($list->id)));
    }

    public function done(AccountId $accountId, ?ListId $listId): array
    {
        return array_values(array_filter(
            $this->memory->tasks,
            static fn (Task $task): bool => $task->isDone() && (null === $listId || $task->listId()->is($listId)),
        ));
    }

    public function listNamed(AccountId $accountId, string $name): ?TaskList
    {
        foreach ($this->memory->lists as $list) {
            if (mb_strtolower($list->name()) === mb_strtolower($name)) {
                return $list;
            }
        }

        return null;
    }

    public function getList(AccountId $accountId, ListId $id): TaskList
    {
        return $this->memory->lists[$id->text] ?? throw new NotFound('list', $id->text);
    }

    public function lists(AccountId $accountId): array
    {
        $lists = array_values($this->memory->lists);
        usort($lists, static fn (TaskList $a, TaskList $b): int => [$a->rank(), $a->id] <=> [$b->rank(), $b->id]);

        return $lists;
    }

    public function removeList(TaskList $list): void
    {
        unset($this->memory->lists[$list->id->text]);
    }

    public function hasFile(AccountId $accountId, string $id): bool
    {
        return \in_array($id, $this->memory->files, true);
    }

    public function addList(TaskList $list): void
    {
        $this->memory->lists[$list->id->text] = $list;
    }

    public function addSource(SourceCopy $source): void
    {
        $this->memory->copies[$source->id] = $source;
    }

    /** @return list<Task> in their order */
    private function beside(ListId $listId, ?TaskId $parentId): array
    {
        $beside = array_values(array_filter(
            $this->memory->tasks,
            static fn (Task $task): bool => $task->parentId()?->text === $parentId?->text && $task->listId()->is($listId),
        ));
        usort($beside, static fn (Task $a, Task $b): int => [$a->rank(), $a->id] <=> [$b->rank(), $b->id]);

        return $beside;
    }
}

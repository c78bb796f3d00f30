<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;

/**
 * The store of tasks, their lists and their source copies. Every call is bound to one account, and sees
 * what was changed before it.
 */
interface Tasks
{
    /** @throws NotFound */
    public function get(AccountId $accountId, TaskId $id): Task;

    public function add(Task $task): void;

    public function remove(Task $task): void;

    /**
     * @param list<Task> $tasks
     *
     * @return list<Task> all that lies under them, however deep, without a set order
     */
    public function under(array $tasks): array;

    /**
     * The tasks that stand beside one another in a list or under a task.
     *
     * @param string|null  $rank   the place behind which is looked; null: the beginning
     * @param list<TaskId> $except tasks that do not count
     *
     * @return string|null the rank of the next one, or null when none follows
     */
    public function rankBehind(AccountId $accountId, ListId $listId, ?TaskId $parentId, ?string $rank, array $except = []): ?string;

    /** @return string|null the rank of the last one beside one another; null when there is none */
    public function lastRank(AccountId $accountId, ListId $listId, ?TaskId $parentId): ?string;

    /** @return list<Task> all tasks of the list, completed ones too, without a set order */
    public function ofList(TaskList $list): array;

    /**
     * @param ListId|null $listId null: of all lists
     *
     * @return list<Task> the completed ones, without a set order
     */
    public function done(AccountId $accountId, ?ListId $listId): array;

    /** The list of that name; capitals do not matter. */
    public function listNamed(AccountId $accountId, string $name): ?TaskList;

    /** @throws NotFound */
    public function getList(AccountId $accountId, ListId $id): TaskList;

    /** @return list<TaskList> in their order */
    public function lists(AccountId $accountId): array;

    public function addList(TaskList $list): void;

    public function removeList(TaskList $list): void;

    public function addSource(SourceCopy $source): void;

    /** Whether there is a file of that id. */
    public function hasFile(AccountId $accountId, string $id): bool;
}

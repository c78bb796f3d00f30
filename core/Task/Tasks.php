<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\NotFound;

/**
 * The store of tasks, their lists and their source copies. Every call is bound to one account.
 */
interface Tasks
{
    /** @throws NotFound */
    public function get(string $accountId, string $id): Task;

    public function add(Task $task): void;

    public function remove(Task $task): void;

    /** The list of that name; capitals do not matter. */
    public function listNamed(string $accountId, string $name): ?TaskList;

    public function addList(TaskList $list): void;

    public function addSource(SourceCopy $source): void;
}

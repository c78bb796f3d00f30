<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Page;
use ZippyTray\Core\Refused;

/**
 * Carries what a person filled in over to a task, and makes the list that it names.
 */
final readonly class FillTask
{
    public function __construct(private Tasks $tasks, private Ids $ids)
    {
    }

    /** @throws Refused when a field cannot be taken as it is */
    public function make(string $accountId, string $taskId, \DateTimeImmutable $now, TaskFields $fields, Page $page): Task
    {
        $task = new Task($taskId, $accountId, $now, $fields->title, $this->list($accountId, $fields->list, $page)->id);
        $task->note($fields->notes);
        $task->setDue($fields->due);
        $this->tasks->add($task);
        $page->made($task);

        return $task;
    }

    /** @throws Refused when a field cannot be taken as it is */
    public function change(Task $task, TaskFields $fields, Page $page): void
    {
        $list = $this->list($task->accountId, $fields->list, $page);
        $page->touch($task);
        $task->rename($fields->title);
        $task->note($fields->notes);
        $task->setDue($fields->due);
        $task->moveToList($list->id);
    }

    private function list(string $accountId, string $name, Page $page): TaskList
    {
        $list = $this->tasks->listNamed($accountId, TaskList::checked($name));
        if (null === $list) {
            $list = new TaskList($this->ids->next(), $accountId, $name);
            $this->tasks->addList($list);
            $page->made($list);
        }

        return $list;
    }
}

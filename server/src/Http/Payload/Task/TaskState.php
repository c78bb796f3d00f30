<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

final readonly class TaskState extends SomeTasks
{
    /**
     * @param list<string> $tasks
     * @param bool         $withSubtasks open subtasks are done too
     */
    public function __construct(string $entry, array $tasks, public bool $done, public bool $withSubtasks = false)
    {
        parent::__construct($entry, $tasks);
    }
}

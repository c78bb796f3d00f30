<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

/**
 * Somebody wants to change a task that has changed since they looked at it. Nothing is overwritten.
 */
final class TaskOvertaken extends \RuntimeException
{
    public function __construct(public readonly Task $task)
    {
        parent::__construct(\sprintf(
            '"%s" was changed elsewhere since you opened it. Compare, and choose what is to stand.',
            $task->title(),
        ));
    }
}

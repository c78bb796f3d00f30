<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Task;

/**
 * What the core says in `Standing`, as conditions on a task that a query calls t.
 */
final readonly class TaskStands
{
    public const ALONE = '(t.parent_id IS NULL OR t.due_date IS NOT NULL)';

    public const ALONE_WAITING = '(t.parent_id IS NULL OR t.start_date IS NOT NULL)';
}

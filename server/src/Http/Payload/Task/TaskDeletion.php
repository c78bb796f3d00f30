<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

final readonly class TaskDeletion extends SomeTasks
{
}

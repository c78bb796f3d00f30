<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Id;

/**
 * Which task.
 */
final readonly class TaskId extends Id
{
}

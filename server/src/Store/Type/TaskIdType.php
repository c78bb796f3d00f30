<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use ZippyTray\Core\Task\TaskId;

final class TaskIdType extends IdType
{
    protected function kind(): string
    {
        return TaskId::class;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

/**
 * How much a task matters.
 */
enum Priority: string
{
    case High = 'high';
    case Normal = 'normal';
    case Low = 'low';
}

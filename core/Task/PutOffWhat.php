<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

/**
 * What of a task is moved when it is put off.
 */
enum PutOffWhat: string
{
    case Start = 'start';
    case Due = 'due';
    case Both = 'both';
}

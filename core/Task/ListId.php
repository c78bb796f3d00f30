<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Id;

/**
 * Which list of tasks.
 */
final readonly class ListId extends Id
{
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

/**
 * A task is to be completed that has open subtasks, and nobody has said what is to become of them.
 */
final class OpenSubtasks extends \RuntimeException
{
    public function __construct(public readonly int $count)
    {
        parent::__construct(1 === $count ? 'It has an open subtask. Is that done too?' : \sprintf(
            'There are %d open subtasks. Are they done too?',
            $count,
        ));
    }
}

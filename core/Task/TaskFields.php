<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Time\Due;

/**
 * What a person fills in of a task.
 */
final readonly class TaskFields
{
    /**
     * @param string   $title plain text, one line
     * @param string   $notes plain text
     * @param Due|null $due   null: no date
     * @param string   $list  the list's name; one that does not exist yet is made
     */
    public function __construct(
        public string $title,
        public string $notes = '',
        public ?Due $due = null,
        public string $list = TaskList::DEFAULT,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Task;

use ZippyTray\Core\Task\Priority;

/**
 * Which tasks are wanted.
 */
final readonly class TasksWanted
{
    /**
     * @param 'open'|'waiting'|'done' $state open: what can be done now; waiting: what is out of the way until its start
     * @param string|null             $list  of that list only, even an archived one; null: of all that are not archived
     * @param string                  $words each has to occur in the title, the notes or a label; empty for any
     * @param string                  $label the id of one; empty for any
     */
    public function __construct(
        public string $state = 'open',
        public ?string $list = null,
        public string $words = '',
        public string $label = '',
        public ?Priority $priority = null,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Priority;
use ZippyTray\Core\Task\TaskChange;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Server\Http\Payload\WhenField;

final readonly class ChangeOfTasks extends SomeTasks
{
    /** @param list<string> $tasks */
    public function __construct(
        string $entry,
        array $tasks,
        public ?WhenField $due = null,
        public bool $undated = false,
        public ?WhenField $start = null,
        public ?string $list = null,
        public ?Priority $priority = null,
        public ?string $label = null,
        public ?string $unlabel = null,
        public ?int $estimate = null,
    ) {
        parent::__construct($entry, $tasks);
    }

    /** @throws Refused */
    public function change(Speaker $speaker): TaskChange
    {
        return new TaskChange(
            $this->due?->due($speaker, 'due'),
            $this->undated,
            $this->start?->due($speaker, 'start'),
            $this->list,
            $this->priority,
            $this->label,
            $this->unlabel,
            $this->estimate,
        );
    }
}

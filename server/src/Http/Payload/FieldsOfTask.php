<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload;

use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskList;

final readonly class FieldsOfTask
{
    public function __construct(
        public string $title,
        public string $notes = '',
        public ?DueField $due = null,
        public string $list = '',
    ) {
    }

    public function in(\DateTimeZone $zone): TaskFields
    {
        return new TaskFields($this->title, $this->notes, $this->due?->in($zone), '' === trim($this->list) ? TaskList::DEFAULT : $this->list);
    }
}

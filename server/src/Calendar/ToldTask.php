<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar;

use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Time\Due;

/**
 * A task as another program tells it (VTODO, RFC 5545, 3.6.2).
 */
final readonly class ToldTask
{
    /**
     * @param string|null                          $parent UID of the task that it is a part of
     * @param list<array{when: Due, minutes: int}> $slots
     */
    public function __construct(
        public string $uid,
        public TaskFields $fields,
        public bool $done = false,
        public ?string $parent = null,
        public array $slots = [],
    ) {
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Tray\Claim;

/**
 * A task that is to be made.
 */
final readonly class TaskOrder
{
    /**
     * @param TaskId        $taskId    made by the client
     * @param EmailId|null  $messageId the message that it comes from
     * @param Claim|null    $claim     the conversation; when no message is named, its newest by somebody else is the source
     * @param TaskId|null   $parentId  the task that it is a part of
     * @param list<Outline> $subtasks
     * @param bool          $done      it is completed as soon as it is made
     */
    public function __construct(
        public TaskId $taskId,
        public TaskFields $fields,
        public ?EmailId $messageId = null,
        public ?Claim $claim = null,
        public ?TaskId $parentId = null,
        public array $subtasks = [],
        public bool $done = false,
    ) {
    }
}

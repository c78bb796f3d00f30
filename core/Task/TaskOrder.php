<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

/**
 * A task that is to be made.
 */
final readonly class TaskOrder
{
    /**
     * @param string      $taskId         made by the client
     * @param string|null $messageId      the message that it comes from
     * @param string|null $conversationId when no message is named: the newest that somebody else wrote in it
     */
    public function __construct(
        public string $taskId,
        public TaskFields $fields,
        public ?string $messageId = null,
        public ?string $conversationId = null,
    ) {
    }
}

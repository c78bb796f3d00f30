<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Lists;

use ZippyTray\Server\Read\Task\TaskRow;
use ZippyTray\Server\Read\Tray\ConversationRow;

/**
 * A conversation or a task of a list, as it stands at a stage.
 */
final readonly class CardView
{
    /**
     * @param string $since an instant in UTC (RFC 3339)
     * @param bool   $up    it stands there longer than the stage lets things stand
     */
    private function __construct(
        public string $kind,
        public string $id,
        public string $since,
        public bool $up,
        public ?ConversationRow $conversation,
        public ?TaskRow $task,
    ) {
    }

    public static function of(string $since, bool $up, ?ConversationRow $conversation, ?TaskRow $task): ?self
    {
        return match (true) {
            null !== $conversation => new self('conversation', $conversation->id, $since, $up, $conversation, null),
            null !== $task => new self('task', $task->id, $since, $up, null, $task),
            default => null,
        };
    }
}

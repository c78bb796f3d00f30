<?php

declare(strict_types=1);

namespace ZippyTray\Core\Remind;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Conversations;

/**
 * What a person can be reminded of.
 */
final readonly class Reminded
{
    public function __construct(private Tasks $tasks, private Conversations $conversations)
    {
    }

    /** @throws NotFound */
    public function get(AccountId $accountId, ObjectRef $about): Task|Conversation
    {
        return ObjectKind::Task === $about->kind
            ? $this->tasks->get($accountId, new TaskId($about->id))
            : $this->conversations->get($accountId, new ConversationId($about->id));
    }

    public static function name(Task|Conversation $about): string
    {
        return $about instanceof Task ? $about->title() : $about->subject();
    }
}

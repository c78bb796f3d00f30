<?php

declare(strict_types=1);

namespace ZippyTray\Core\Remind;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\Agenda\Event\Events;
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
    public function __construct(private Tasks $tasks, private Conversations $conversations, private Events $events)
    {
    }

    /** @throws NotFound */
    public function get(AccountId $accountId, ObjectRef $about): Task|Conversation|Event
    {
        return match ($about->kind) {
            ObjectKind::Task => $this->tasks->get($accountId, new TaskId($about->id)),
            ObjectKind::Event => $this->events->get($accountId, new EventId($about->id)),
            default => $this->conversations->get($accountId, new ConversationId($about->id)),
        };
    }

    public static function name(Task|Conversation|Event $about): string
    {
        return $about instanceof Conversation ? $about->subject() : $about->title();
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task\Stage;

/**
 * What somebody does with something that stands at a stage, after which it goes on to the next.
 */
enum Onwards: string
{
    /** They send a message in the conversation, now or later. */
    case Answered = 'answered';
    /** Somebody owes them an answer in it. */
    case HandedOver = 'handed_over';
    /** It becomes a task. */
    case MadeTask = 'made_task';
    /** It goes to the archive, or the task is done. */
    case Done = 'done';
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Page;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Tray\Conversations;

/**
 * Makes a task of a message: the task keeps a copy of it, and the conversation goes to the archive
 * in the same step.
 */
final readonly class MakeTask
{
    public function __construct(
        private Tasks $tasks,
        private FillTask $fill,
        private Messages $messages,
        private Conversations $conversations,
        private Journal $journal,
        private ClockInterface $clock,
        private Ids $ids,
    ) {
    }

    /**
     * @throws NotFound when the message is not there
     * @throws Refused  when a field cannot be taken as it is; then nothing is done
     */
    public function __invoke(string $accountId, string $entryId, string $taskId, TaskFields $fields, string $messageId): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::MakeTask, function (Page $page) use ($accountId, $taskId, $fields, $messageId): void {
            $message = $this->messages->get($accountId, $messageId);
            $task = $this->fill->make($accountId, $taskId, \DateTimeImmutable::createFromInterface($this->clock->now()), $fields, $page);
            $copy = SourceCopy::of($this->ids->next(), $message);
            $this->tasks->addSource($copy);
            $task->addSource($copy);

            $conversation = $this->conversations->get($accountId, $this->messages->conversationOf($message));
            $page->touch($conversation);
            $conversation->archive();
            $due = $task->due();
            $page->say($task->title(), null === $due ? 'without date' : 'due '.$due->text());
        });
    }
}

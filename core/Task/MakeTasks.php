<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Page;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Tray\Conversations;

/**
 * Makes tasks, of messages or by themselves, in one step. A task that comes from a message keeps a
 * copy of it, and the conversation goes to the archive.
 */
final readonly class MakeTasks
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
     * @param string                    $entryId made by the client; the same id again changes nothing
     * @param non-empty-list<TaskOrder> $orders
     *
     * @throws NotFound when a message is not there; then nothing is done
     * @throws Refused  when a field cannot be taken as it is; then nothing is done
     */
    public function __invoke(string $accountId, string $entryId, array $orders): Entry
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $ofMail = array_filter($orders, static fn (TaskOrder $order): bool => null !== ($order->messageId ?? $order->conversationId));

        return $this->journal->write($accountId, $entryId, [] === $ofMail ? EntryKind::AddTask : EntryKind::MakeTask, function (Page $page) use ($accountId, $orders, $now): void {
            foreach ($orders as $order) {
                $task = $this->fill->make($accountId, $order->taskId, $now, $order->fields, $page);
                $message = $this->source($accountId, $order);
                if (null !== $message) {
                    $this->keep($task, $message, $page);
                }
                $due = $task->due();
                $page->say($task->title(), null === $due ? 'without date' : 'due '.$due->text());
            }
        });
    }

    private function source(string $accountId, TaskOrder $order): ?Message
    {
        $id = $order->messageId ?? (null === $order->conversationId ? null : $this->messages->newestIn($accountId, $order->conversationId));

        return null === $id ? null : $this->messages->get($accountId, $id);
    }

    private function keep(Task $task, Message $message, Page $page): void
    {
        $copy = SourceCopy::of($this->ids->next(), $message);
        $this->tasks->addSource($copy);
        $task->addSource($copy);
        $conversation = $this->conversations->get($message->accountId, $this->messages->conversationOf($message));
        $page->touch($conversation);
        $conversation->archive();
    }
}

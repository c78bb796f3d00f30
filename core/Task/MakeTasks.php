<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\Entries;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Decided;
use ZippyTray\Core\Tray\Overtaken;
use ZippyTray\Core\Tray\Place;

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
        private Entries $entries,
        private Journal $journal,
        private ClockInterface $clock,
        private Ids $ids,
    ) {
    }

    /**
     * Conversations to which something happened since the person saw them are left as they are, and no task is made of them.
     *
     * @param EntryId                                        $entryId    made by the client; the same id again changes nothing
     * @param non-empty-list<TaskOrder>                      $orders
     * @param \DateTimeZone                                  $zone       the person's own
     * @param ClearingId|null                                $clearingId the clearing in which it was decided
     * @param callable(Step, array<string, Task>): void|null $also       belongs to the same step; with the tasks made, by their ids
     *
     * @throws NotFound  when a message is not there; then nothing is done
     * @throws Refused   when a field cannot be taken as it is; then nothing is done
     * @throws Overtaken when nothing is left to make a task of
     */
    public function __invoke(
        AccountId $accountId,
        EntryId $entryId,
        array $orders,
        \DateTimeZone $zone,
        ?ClearingId $clearingId = null,
        ?callable $also = null,
    ): Decided {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $ofMail = array_filter($orders, static fn (TaskOrder $order): bool => null !== $order->messageId || null !== $order->claim);
        $overtaken = [];
        $kind = [] === $ofMail ? EntryKind::AddTask : EntryKind::MakeTask;
        $entry = $this->journal->write($accountId, $entryId, $kind, function (Step $step) use (
            $accountId,
            $orders,
            $now,
            $zone,
            $also,
            &$overtaken,
        ): void {
            $made = [];
            $ranks = new LastRanks($this->tasks);
            foreach ($orders as $order) {
                $meanwhile = $this->overtaken($accountId, $order, $step);
                if (null !== $meanwhile) {
                    $overtaken[] = $meanwhile;
                    continue;
                }
                $parent = null === $order->parentId ? null : $this->tasks->get($accountId, $order->parentId);
                $task = $this->fill->make($accountId, $order->taskId, $now, $order->fields, $zone, $step, $ranks, $parent);
                $this->addSubtasks($task, $order->subtasks, $now, $zone, $step, $ranks);
                $message = $this->source($accountId, $order);
                if (null !== $message) {
                    $this->keep($task, $message, $now, $step);
                }
                if ($order->done) {
                    $task->complete($now);
                }
                $made[$task->id->text] = $task;
                $due = $task->due();
                $step->say($task->title(), null === $due ? 'without date' : 'due '.$due->text());
            }
            if (\count($overtaken) === \count($orders)) {
                throw $overtaken[0];
            }
            null === $also ?: $also($step, $made);
        }, clearingId: $clearingId);

        return new Decided($entry, $overtaken);
    }

    /** @param list<Outline> $subtasks */
    private function addSubtasks(
        Task $task,
        array $subtasks,
        \DateTimeImmutable $now,
        \DateTimeZone $zone,
        Step $step,
        LastRanks $ranks,
    ): void {
        foreach ($subtasks as $outline) {
            $subtask = $this->fill->make(
                $task->accountId,
                new TaskId($this->ids->next()),
                $now,
                $outline->fields(),
                $zone,
                $step,
                $ranks,
                $task,
            );
            $this->addSubtasks($subtask, $outline->under, $now, $zone, $step, $ranks);
            if ($outline->done) {
                $subtask->complete($now);
            }
        }
    }

    private function overtaken(AccountId $accountId, TaskOrder $order, Step $step): ?Overtaken
    {
        if (null === $order->claim) {
            return null;
        }
        $conversation = $this->conversations->get($accountId, $order->claim->conversationId);

        return $step->isTouched($conversation) ? null : $order->claim->overtaken($conversation, $this->entries);
    }

    private function source(AccountId $accountId, TaskOrder $order): ?Message
    {
        $id = $order->messageId ?? (null === $order->claim ? null : $this->messages->newestIn($accountId, $order->claim->conversationId));

        return null === $id ? null : $this->messages->get($accountId, $id);
    }

    /**
     * A task of what a conversation asks, within another step.
     *
     * @param \DateTimeZone $zone the person's own
     *
     * @throws Refused when a field cannot be taken as it is
     */
    public function ofMail(Conversation $conversation, TaskFields $fields, \DateTimeZone $zone, Step $step): Task
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $accountId = $conversation->accountId;
        $task = $this->fill->make(
            $accountId,
            new TaskId($this->ids->next()),
            $now,
            $fields,
            $zone,
            $step,
            new LastRanks($this->tasks),
        );
        $this->keep($task, $this->messages->get($accountId, $this->messages->newestIn($accountId, $conversation->id)), $now, $step);

        return $task;
    }

    /**
     * A task of one message, within another step. A conversation that is away stays so.
     *
     * @param \DateTimeZone $zone the person's own
     *
     * @throws Refused when a field cannot be taken as it is
     */
    public function ofMessage(Message $message, TaskFields $fields, \DateTimeZone $zone, Step $step): Task
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $id = new TaskId($this->ids->next());
        $task = $this->fill->make($message->accountId, $id, $now, $fields, $zone, $step, new LastRanks($this->tasks));
        $conversation = $this->conversations->get($message->accountId, $this->messages->conversationOf($message));
        $this->keep($task, $message, $now, $step, Place::Away !== $conversation->placeAt($now) || $conversation->isHeld($now));

        return $task;
    }

    private function keep(Task $task, Message $message, \DateTimeImmutable $now, Step $step, bool $archives = true): void
    {
        $copy = SourceCopy::of($this->ids->next(), $message, $this->messages->source($message));
        $this->tasks->addSource($copy);
        $task->leadBackTo([Source::message($copy), ...$task->sources()]);
        if ($archives) {
            $conversation = $this->conversations->get($message->accountId, $this->messages->conversationOf($message));
            $step->touch($conversation);
            $conversation->archive($now, AdvisedDecision::Task);
        }
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Arrival;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Mime\Report;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Owed\Owed;
use ZippyTray\Core\Owed\OwedState;
use ZippyTray\Core\Owed\Owing;
use ZippyTray\Core\Post\Outgoings;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Core\Tray\BackBecause;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Conversations;

/**
 * What a message that comes in means for those who owe something: an answer, an automatic one that is none, or the
 * news that they never got what was asked of them.
 */
final readonly class Settle
{
    public function __construct(
        private Owing $owing,
        private Outgoings $outgoings,
        private Conversations $conversations,
        private Tasks $tasks,
    ) {
    }

    /**
     * @param Report|null $report what the message reports of another one's delivery (RFC 3464)
     * @param Step        $step   on which it is written down what changes by it
     *
     * @return BackBecause|null why the conversation is to come back before its time; null when this message is no reason to
     */
    public function __invoke(
        Message $message,
        Conversation $conversation,
        ?Report $report,
        Step $step,
        \DateTimeImmutable $now,
    ): ?BackBecause {
        if ($message->own) {
            return null;
        }
        if (null !== $report) {
            return $this->reported($message->accountId, $report, $conversation, $step, $now);
        }
        $of = array_filter(
            $this->owing->openIn($message->accountId, $conversation->id),
            static fn (Owed $owed): bool => $owed->isOwedBy($message->from),
        );
        if ($message->isAutomatic()) {
            array_walk($of, static function (Owed $owed) use ($step, $now): void {
                $step->touch($owed);
                $owed->noteAutomaticAnswer($now);
                $step->say('', 'an automatic answer came from '.$owed->person()->label());
            });

            return null;
        }
        foreach ($of as $owed) {
            $this->settle($owed, OwedState::Answered, $step, $now);
            $step->say('', $owed->person()->label().' has answered');
        }

        return [] === $of ? BackBecause::Message : BackBecause::Answer;
    }

    /** A task that was out of the way for it is back, too. */
    private function settle(Owed $owed, OwedState $as, Step $step, \DateTimeImmutable $now): void
    {
        $step->touch($owed);
        $owed->settle($as, $now);
        try {
            $task = null === $owed->taskId ? null : $this->tasks->get($owed->accountId, $owed->taskId);
        } catch (NotFound) {
            return;
        }
        $until = $owed->until();
        if (null !== $task && !$task->isDone() && $task->start()?->instant()?->getTimestamp() === $until->instant->getTimestamp()) {
            $step->touch($task);
            $task->schedule(null, $task->due(), $until->zone);
        }
    }

    private function reported(
        AccountId $accountId,
        Report $report,
        Conversation $conversation,
        Step $step,
        \DateTimeImmutable $now,
    ): ?BackBecause {
        if ([] === $report->failed) {
            return null;
        }
        $outgoing = '' === $report->messageHeader ? null : $this->outgoings->withHeader($accountId, $report->messageHeader);
        foreach (null === $outgoing ? [] : $this->owing->openOf($accountId, $outgoing->id) as $owed) {
            if ([] === array_filter($report->failed, $owed->person()->is(...))) {
                continue;
            }
            $this->settle($owed, OwedState::Undelivered, $step, $now);
            $step->say('', 'it did not reach '.$owed->person()->label());
            $of = $owed->conversationId();
            if (null !== $of && !$of->is($conversation->id)) {
                // A report that says nothing of what it belongs to came as a conversation of its own.
                $asked = $this->conversations->get($accountId, $of);
                $step->touch($asked);
                $asked->callBack(BackBecause::Undelivered, $now);
            }
        }

        return BackBecause::Undelivered;
    }
}

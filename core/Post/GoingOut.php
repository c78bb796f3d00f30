<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Owed\Owed;
use ZippyTray\Core\Owed\Owing;
use ZippyTray\Core\Tray\Conversations;

/**
 * What becomes of a message that goes out, and of what depends on it. Each is a step in the transaction of whoever hands
 * it over.
 */
final readonly class GoingOut
{
    public function __construct(
        private Owing $owing,
        private Conversations $conversations,
        private Messages $messages,
        private Journal $journal,
        private ClockInterface $clock,
        private Ids $ids,
    ) {
    }

    /** It is out, and has arrived in its conversation: whoever owes an answer owes it there. */
    public function isOut(Outgoing $outgoing): void
    {
        $now = $this->now();
        $outgoing->sent($now);
        $open = $this->owing->openOf($outgoing->accountId, $outgoing->id);
        if ([] === $open) {
            return;
        }
        $conversationId = $this->messages->conversationOf($this->messages->at($outgoing->accountId, '<'.$outgoing->messageHeader.'>'));
        $step = new Step();
        foreach ($open as $owed) {
            $step->touch($owed);
            $owed->belongsTo($conversationId);
        }
        if (null === $outgoing->conversationId) {
            // It began a conversation, which waits for the answer.
            $conversation = $this->conversations->get($outgoing->accountId, $conversationId);
            $step->touch($conversation);
            $conversation->handOver(
                SendMail::names(array_map(static fn (Owed $owed): Address => $owed->person(), $open)),
                $open[0]->what(),
                $open[0]->until(),
                $now,
            );
        }
        $step->say($outgoing->letter()->subject, 'has gone out');
        $this->journal->note($outgoing->accountId, new EntryId($this->ids->next()), EntryKind::Deliver, $step);
    }

    /** It was not taken, which may change. */
    public function tryAgain(Outgoing $outgoing, string $problem): void
    {
        self::begun($outgoing)->tryAgain($problem, $this->now());
        $this->tellConversation($outgoing);
    }

    /** It was refused, or could not even be put together. */
    public function fail(Outgoing $outgoing, string $problem): void
    {
        self::begun($outgoing)->fail($problem);
        $this->tellConversation($outgoing);
    }

    /** Nobody can tell whether it is out. */
    public function doubt(Outgoing $outgoing, string $problem): void
    {
        self::begun($outgoing)->doubt($problem);
        $this->tellConversation($outgoing);
    }

    /** What could not even be put together was not begun. */
    private static function begun(Outgoing $outgoing): Outgoing
    {
        if (OutgoingState::Waiting === $outgoing->outgoingState()) {
            $outgoing->begin();
        }

        return $outgoing;
    }

    /** Who thinks that it is answered has to know that it is not. */
    private function tellConversation(Outgoing $outgoing): void
    {
        if (!$outgoing->outgoingState()->isTrouble() || null === $outgoing->conversationId) {
            return;
        }
        $conversation = $this->conversations->get($outgoing->accountId, $outgoing->conversationId);
        $step = new Step();
        $step->touch($conversation);
        $conversation->notSent($this->now());
        $step->say($conversation->subject(), 'what you sent in it did not go out: it is in the tray again');
        $this->journal->note($outgoing->accountId, new EntryId($this->ids->next()), EntryKind::Arrive, $step);
    }

    private function now(): \DateTimeImmutable
    {
        return \DateTimeImmutable::createFromInterface($this->clock->now());
    }
}

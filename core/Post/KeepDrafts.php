<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Owed\OwedState;
use ZippyTray\Core\Owed\Owing;
use ZippyTray\Core\Refused;

/**
 * Drafts while they are written, and what was sent and has not gone out.
 */
final readonly class KeepDrafts
{
    public function __construct(
        private Outgoings $outgoings,
        private Owing $owing,
        private Messages $messages,
        private Journal $journal,
        private Transaction $transaction,
        private ClockInterface $clock,
    ) {
    }

    /**
     * Keeps what has been written so far. What is typed is not written into the journal.
     *
     * @param OutgoingId   $id        made by the client
     * @param int          $revision  that the person has seen; 0 of one that is new
     * @param string       $header    Message-ID of one that is new, without angle brackets
     * @param EmailId|null $messageId that it answers or forwards
     *
     * @throws NotFound
     * @throws Refused        when it cannot be written
     * @throws DraftOvertaken when it was changed in another window since
     */
    public function write(
        AccountId $accountId,
        OutgoingId $id,
        int $revision,
        AnswerKind $kind,
        ?EmailId $messageId,
        string $header,
        Letter $letter,
    ): Outgoing {
        return $this->transaction->run(function () use ($accountId, $id, $revision, $kind, $messageId, $header, $letter): Outgoing {
            $now = \DateTimeImmutable::createFromInterface($this->clock->now());
            $outgoing = $this->outgoings->find($accountId, $id);
            if (null === $outgoing) {
                $of = null === $messageId ? null : $this->messages->get($accountId, $messageId);
                $outgoing = new Outgoing(
                    $id,
                    $accountId,
                    $header,
                    $kind,
                    $of?->id,
                    null === $of ? null : $this->messages->conversationOf($of),
                    $letter,
                    $now,
                );
                $this->outgoings->add($outgoing);

                return $outgoing;
            }
            if ($revision !== $outgoing->revision() && $letter->state() !== $outgoing->letter()->state()) {
                throw new DraftOvertaken($outgoing);
            }
            if (OutgoingState::Draft !== $outgoing->outgoingState()) {
                throw new DraftOvertaken($outgoing);
            }
            $outgoing->write($letter, $now);

            return $outgoing;
        });
    }

    /** @throws NotFound */
    public function drop(AccountId $accountId, EntryId $entryId, OutgoingId $id): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::DropDraft, function (Step $step) use ($accountId, $id): void {
            $outgoing = $this->outgoings->get($accountId, $id);
            if (OutgoingState::Draft !== $outgoing->outgoingState()) {
                throw new Refused('It is no draft any more.');
            }
            $step->say('' === $outgoing->letter()->subject ? 'Draft without a subject' : $outgoing->letter()->subject, 'draft deleted');
            $step->removed($outgoing);
            $this->outgoings->remove($outgoing);
        });
    }

    /**
     * What has not gone out becomes a draft again, and nobody owes an answer to it.
     *
     * @throws NotFound
     * @throws Refused  when it has gone out
     */
    public function takeBack(AccountId $accountId, EntryId $entryId, OutgoingId $id): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::TakeBack, function (Step $step) use ($accountId, $id): void {
            $now = \DateTimeImmutable::createFromInterface($this->clock->now());
            $outgoing = $this->outgoings->get($accountId, $id);
            $step->touch($outgoing);
            $outgoing->backToDraft($now);
            foreach ($this->owing->openOf($accountId, $id) as $owed) {
                $step->touch($owed);
                $owed->settle(OwedState::Dropped, $now);
            }
            $step->say('' === $outgoing->letter()->subject ? 'Message without a subject' : $outgoing->letter()->subject, 'a draft again');
        });
    }

    /**
     * Of one in doubt the person knows that it has arrived.
     *
     * @throws NotFound
     */
    public function arrived(AccountId $accountId, OutgoingId $id): Outgoing
    {
        return $this->transaction->run(function () use ($accountId, $id): Outgoing {
            $outgoing = $this->outgoings->get($accountId, $id);
            if (OutgoingState::Doubt !== $outgoing->outgoingState()) {
                throw new Refused('There is no doubt about it any more.');
            }
            $outgoing->sent(\DateTimeImmutable::createFromInterface($this->clock->now()));

            return $outgoing;
        });
    }
}

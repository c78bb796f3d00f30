<?php

declare(strict_types=1);

namespace ZippyTray\Core\Stamp;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\Entries;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Lists\PutIntoLists;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\Outgoings;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\MakeTasks;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\BlockSender;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Decided;
use ZippyTray\Core\Tray\Deciding;
use ZippyTray\Core\Tray\Expectations;
use ZippyTray\Core\Tray\Overtaken;
use ZippyTray\Core\Tray\PutLabels;
use ZippyTray\Core\Tray\Reading;

/**
 * Carries a stamp out on one conversation or on many: one entry of the journal, and one undo.
 */
final readonly class UseStamp
{
    public function __construct(
        private Stamps $stamps,
        private Foresee $foresee,
        private Conversations $conversations,
        private PutLabels $labels,
        private PutIntoLists $lists,
        private MakeTasks $tasks,
        private BlockSender $block,
        private Outgoings $outgoings,
        private Expectations $expectations,
        private Entries $entries,
        private Journal $journal,
        private ClockInterface $clock,
        private Ids $ids,
    ) {
    }

    /**
     * Conversations to which something happened since the person saw them are left as they are.
     *
     * @param EntryId         $entryId    made by the client; the same id again changes nothing
     * @param list<Claim>     $claims
     * @param ClearingId|null $clearingId the clearing in which it was done
     *
     * @throws NotFound  when the stamp or a conversation is not there; then nothing is done
     * @throws Refused   when a step cannot be carried out on one of them; then nothing is done
     * @throws Overtaken when nothing is left to stamp
     */
    public function __invoke(
        AccountId $accountId,
        EntryId $entryId,
        StampId $stampId,
        array $claims,
        StampHand $hand,
        ?ClearingId $clearingId = null,
    ): Decided {
        $overtaken = [];
        $entry = $this->journal->write($accountId, $entryId, EntryKind::Stamp, function (Step $step) use (
            $accountId,
            $stampId,
            $claims,
            $hand,
            &$overtaken,
        ): void {
            $stamp = $this->stamps->get($accountId, $stampId);
            $stamped = 0;
            foreach ($claims as $claim) {
                $conversation = $this->conversations->get($accountId, $claim->conversationId);
                $meanwhile = $step->isTouched($conversation) ? null : $claim->overtaken($conversation, $this->entries);
                if (null !== $meanwhile) {
                    $overtaken[] = $meanwhile;
                    continue;
                }
                $this->carryOut($stamp->steps(), $conversation, $hand, $step);
                $step->say(self::about($conversation));
                ++$stamped;
            }
            if (0 === $stamped && [] !== $overtaken) {
                throw $overtaken[0];
            }
            $step->say('', $stamp->name());
        }, clearingId: $clearingId);

        return new Decided($entry, $overtaken);
    }

    /**
     * All steps on one conversation, within another step.
     *
     * @param list<StampStep> $steps
     * @param bool            $byItself whether nobody looks on: what is sent says so
     *
     * @throws Refused when one of them cannot be carried out
     */
    public function carryOut(array $steps, Conversation $conversation, StampHand $hand, Step $step, bool $byItself = false): void
    {
        // The decision comes last: what is written or labelled is about the conversation as it is.
        usort($steps, static fn (StampStep $one, StampStep $other): int => $one->do->decides() <=> $other->do->decides());
        foreach ($steps as $one) {
            try {
                $this->one($one, $conversation, $hand, $step, $byItself);
            } catch (Refused $refused) {
                throw new Refused(\sprintf('"%s": %s', self::about($conversation), $refused->getMessage()), $refused->field);
            }
        }
    }

    /** @throws Refused */
    private function one(StampStep $one, Conversation $conversation, StampHand $hand, Step $step, bool $byItself): void
    {
        match ($one->do) {
            StepKind::Label => $this->labels->put($conversation, $one->labels, [], $step),
            StepKind::Unlabel => $this->labels->put($conversation, [], $one->labels, $step),
            StepKind::PutIntoList => $this->lists->put($conversation, $this->foresee->list($one, $conversation->accountId), $step),
            StepKind::Read => $this->read($conversation, $step),
            StepKind::Answer => $this->answer($one, $conversation, $hand, $step, $byItself),
            StepKind::Task => $this->tasks->ofMail(
                $conversation,
                $this->foresee->task($one, $conversation, $hand),
                $hand->speaker->now->zone,
                $step,
            ),
            StepKind::Block => $this->block->of($conversation, $hand->person, $step),
            default => $this->decide($one, $conversation, $hand, $step),
        };
    }

    private function read(Conversation $conversation, Step $step): void
    {
        $reading = new Reading($conversation);
        $step->touch($reading);
        $reading->mark(false);
    }

    /** @throws Refused */
    private function decide(StampStep $one, Conversation $conversation, StampHand $hand, Step $step): void
    {
        $step->touch($conversation);
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $this->foresee->decision($one, $hand)->apply($conversation, new Deciding($now, $step, $this->expectations));
    }

    /** @throws Refused */
    private function answer(StampStep $one, Conversation $conversation, StampHand $hand, Step $step, bool $byItself): void
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        [$message, $kind, $letter] = $this->foresee->answer($one, $conversation, $hand);
        $outgoing = new Outgoing(
            new OutgoingId($this->ids->next()),
            $conversation->accountId,
            $this->ids->next().'@'.(substr((string) strrchr($hand->person->email, '@'), 1) ?: 'localhost'),
            $kind,
            $message->id,
            $conversation->id,
            $one->send && $byItself ? $letter->automatic() : $letter,
            $now,
        );
        if ($one->send) {
            $outgoing->queue(
                new Moment($now->modify(\sprintf('+%d seconds', $hand->post->undoSeconds)), $hand->speaker->now->zone),
                false,
            );
        }
        $this->outgoings->add($outgoing);
        $step->made($outgoing);
    }

    private static function about(Conversation $conversation): string
    {
        return '' === $conversation->subject() ? 'No subject' : $conversation->subject();
    }
}

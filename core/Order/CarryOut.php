<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Id;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Stamp\StampHand;
use ZippyTray\Core\Stamp\StampStep;
use ZippyTray\Core\Stamp\StepKind;
use ZippyTray\Core\Stamp\UseStamp;
use ZippyTray\Core\Tray\Advice\MailKind;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Place;

/**
 * Carries standing orders out on a message, in the person's order, each as an entry of the journal under its name.
 *
 * What a person decided is not decided again by an order: it only decides about a conversation that is in the tray or comes into it
 * at the next hour, that did not come back, and of which it means every undecided message. An order never acts on what an order did:
 * it is carried out on mail that others sent, once for each message. One that answers answers a person at most once a week, and never
 * what a program or a list sent
 * (RFC 3834, 2).
 */
final readonly class CarryOut
{
    private const PAUSE = '-7 days';

    private const MACHINE = '/^(?:no-?reply|do-?not-?reply|mailer-daemon|postmaster|owner-.*|.*-request|bounces?)(?:[+.@-]|$)/i';

    /** What is answered by itself; what could not be read for its kind is told by its header alone. */
    private const ANSWERED = [MailKind::Personal, MailKind::Discussion, MailKind::Invitation, null];

    public function __construct(
        private Effects $effects,
        private Conversations $conversations,
        private UseStamp $stamp,
        private Journal $journal,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param list<StandingOrder> $orders in the person's order; those that are off are passed over
     *
     * @return list<Outcome> of those that mean it
     */
    public function __invoke(AccountId $accountId, array $orders, Arrived $arrived, StampHand $hand): array
    {
        $outcomes = [];
        if ($arrived->message->own) {
            return [];
        }
        foreach ($orders as $order) {
            if (!$order->isOn() || !$order->condition()->holds($arrived->facts)) {
                continue;
            }
            try {
                $outcomes[] = $this->one($accountId, $order, $arrived, $hand);
            } catch (Refused $refused) {
                $outcomes[] = new Outcome($order, null, $refused->getMessage());
            }
            if ($order->isLast()) {
                break;
            }
        }

        return $outcomes;
    }

    /**
     * Carries one order out on mail that was here already, whether it is on or not.
     *
     * @param string $run what it is carried out in: the same message comes once in each
     */
    public function onOld(AccountId $accountId, StandingOrder $order, Arrived $arrived, StampHand $hand, string $run): Outcome
    {
        try {
            return $this->one($accountId, $order, $arrived, $hand, $run);
        } catch (Refused $refused) {
            return new Outcome($order, null, $refused->getMessage());
        }
    }

    /** @throws Refused when a step cannot be carried out; then none is */
    private function one(AccountId $accountId, StandingOrder $order, Arrived $arrived, StampHand $hand, string $run = ''): Outcome
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $conversation = $this->conversations->get($accountId, $arrived->conversationId);
        $mayDecide = $this->mayDecide($order, $arrived, $conversation, $now);
        $mayAnswer = '' === $run && $this->mayAnswer($accountId, $arrived, $hand, $now);
        $steps = array_values(array_filter(
            $order->steps(),
            static fn (StampStep $step): bool => ($mayDecide || !$step->do->decides()) && ($mayAnswer || StepKind::Answer !== $step->do),
        ));
        $letsIn = $order->isUrgent() && $conversation->isHeld($now);
        if ([] === $steps && !$letsIn) {
            return new Outcome($order, null, '');
        }
        $entryId = new EntryId(Id::hashed('order', $order->id->text, $arrived->message->id->text, $run));
        $entry = $this->journal->write($accountId, $entryId, EntryKind::Order, function (Step $step) use (
            $accountId,
            $order,
            $steps,
            $conversation,
            $hand,
            $entryId,
            $letsIn,
            $now,
        ): void {
            if ($letsIn) {
                $step->touch($conversation);
                $conversation->letIn($now);
            }
            $this->stamp->carryOut($steps, $conversation, $hand, $step, true);
            $step->say('' === $conversation->subject() ? 'No subject' : $conversation->subject(), $order->name());
            $past = Place::Tray !== $conversation->placeAt($now) && !$conversation->isHeld($now);
            $this->effects->note($accountId, $order->id, $entryId, $conversation->id, $past, $now);
            foreach ($steps as $one) {
                StepKind::Answer !== $one->do ?: $this->effects->noteAnswer($accountId, $conversation->senderEmail(), $now);
            }
        });

        return new Outcome($order, $entry, '');
    }

    private function mayDecide(StandingOrder $order, Arrived $arrived, Conversation $conversation, \DateTimeImmutable $now): bool
    {
        $condition = $order->condition();

        return (Place::Tray === $conversation->placeAt($now) || AwayReason::Held === $conversation->awayReason())
            && !$conversation->hasReturned($now)
            && [] === array_filter($arrived->beside, static fn (MessageFacts $other): bool => !$condition->holds($other));
    }

    private function mayAnswer(AccountId $accountId, Arrived $arrived, StampHand $hand, \DateTimeImmutable $now): bool
    {
        $message = $arrived->message;
        $email = strtolower($message->from->email);

        return \in_array($arrived->facts->kind, self::ANSWERED, true)
            && '' === $arrived->facts->list
            && 'neither' !== $arrived->facts->addressed
            && !$message->isAutomatic()
            && !self::isBulk($message)
            && !$hand->person->is($message->from)
            && !$this->effects->hasAnswered($accountId, $email, $now->modify(self::PAUSE));
    }

    /** By its header fields (RFC 3834, 2; RFC 2369; RFC 8058). */
    private static function isBulk(Message $message): bool
    {
        return \in_array(strtolower(trim($message->listHeaders['precedence'] ?? '')), ['bulk', 'list', 'junk'], true)
            || '' !== ($message->listHeaders['list-unsubscribe'] ?? '')
            || 1 === preg_match(self::MACHINE, $message->from->email);
    }
}

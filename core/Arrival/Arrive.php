<?php

declare(strict_types=1);

namespace ZippyTray\Core\Arrival;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Event\CalendarMail;
use ZippyTray\Core\Id;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\Attachment;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\MessageContent;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Mail\Mime\AttachedText;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\Mail\Mime\UnreadableMessage;
use ZippyTray\Core\Mail\Thread\ThreadIndex;
use ZippyTray\Core\MailIn\Asking;
use ZippyTray\Core\MailIn\MadeByMail;
use ZippyTray\Core\MailIn\MailIns;
use ZippyTray\Core\Order\Orders;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Core\Tray\BlockedSender;
use ZippyTray\Core\Tray\BlockedSenders;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Place;

/**
 * A message has arrived, from wherever: it was fetched, imported, sent by the person, or made up for the demo.
 *
 * It is read first, which takes the time that it takes: parsed, refused when it is known or was removed for good, and
 * looked through for advice. Then it is kept, in one transaction, for which others wait: it is sorted into its
 * conversation, what it settles is settled, and its conversation comes into the tray. What that changed of what was
 * there before is one entry of the journal. Then standing orders are wanted for it, and what it asks by a mail-in
 * address, which the worker carries out.
 *
 * Mail of a blocked sender goes to Blocked, and opens no conversation that others are in. Who clears at certain hours has what nobody
 * waits for held back until the next of them.
 */
final readonly class Arrive
{
    public function __construct(
        private MessageReader $reader,
        private Reading $reading,
        private Messages $messages,
        private SortIntoConversations $sort,
        private ThreadIndex $threads,
        private BlockedSenders $blocked,
        private Settle $settles,
        private Orders $orders,
        private MailIns $mailIns,
        private CalendarMail $calendarMail,
        private Journal $journal,
        private Transaction $transaction,
        private ClockInterface $clock,
        private Ids $ids,
    ) {
    }

    /**
     * @param Place                                $into  Tray, or Archive for old mail that needs no decision any more
     * @param bool                                 $again whether what the person has removed for good may come in once more
     * @param (callable(Message|null): mixed)|null $with  done in the same transaction
     *
     * @return Message|null null when it is refused
     *
     * @throws UnreadableMessage when the bytes are no message; then nothing is stored
     */
    public function __invoke(Recipient $to, string $raw, Place $into = Place::Tray, bool $again = true, ?callable $with = null): ?Message
    {
        $incoming = $this->read($to, $raw, $into, $again);

        return $this->transaction->run(function () use ($to, $incoming, $with): ?Message {
            $message = $this->keep($to, $incoming);
            null === $with ?: $with($message);

            return $message;
        });
    }

    /**
     * The first half, which belongs before a transaction.
     *
     * @param bool $again   as above
     * @param bool $advised whether it is looked through for advice now; otherwise that is wanted for later
     *
     * @throws UnreadableMessage when the bytes are no message
     */
    public function read(Recipient $to, string $raw, Place $into = Place::Tray, bool $again = true, bool $advised = true): Incoming
    {
        $content = $this->reader->read($raw, $this->now());
        $isRefused = null !== $this->messages->known($to->accountId, $content->fingerprint)
            || (!$again && $this->messages->isErased($to->accountId, $content->fingerprint));
        $isDecided = !$isRefused && Place::Tray === $into && !self::isOwn($content, $to);
        $asking = null === $to->mailIn ? null : Asking::of($content, $to->person, $to->mailIn);
        $findings = $isDecided && $advised ? $this->reading->read($to, Gist::of($content), $content->header) : null;

        $attached = $isRefused ? '' : (new AttachedText())->of($content->attachments);

        return new Incoming($raw, $content, $into, $isRefused, $isDecided, $advised, $findings, $asking, $attached);
    }

    /**
     * The second half, within a transaction.
     *
     * @return Message|null null when it is refused
     */
    public function keep(Recipient $to, Incoming $incoming): ?Message
    {
        // Another one may have brought it in since it was read.
        $known = $this->messages->known($to->accountId, $incoming->content->fingerprint);
        if ($incoming->isRefused || null !== $known) {
            // It may have come to another address as well, or be a copy of what was sent from here.
            null === $known ?: $this->ask($to->accountId, $known, $incoming->asking);

            return null;
        }
        $now = $this->now();
        $message = Message::of(
            new EmailId($this->ids->next()),
            $to->accountId,
            $incoming->content,
            \strlen($incoming->raw),
            self::isOwn($incoming->content, $to),
            $now,
        );
        $isBlocked = $this->isBlocked($message);
        $conversation = ($this->sort)($message, match (true) {
            $message->own => Place::Archive,
            $isBlocked => Place::Blocked,
            default => $incoming->into,
        });
        $this->settle($message, $conversation, $incoming, $isBlocked, $to, $now);
        $this->messages->add($message, $incoming->raw, $conversation->id, $incoming->attached);
        $this->threads->put($message);
        $this->ask($to->accountId, $message->id, $incoming->asking);
        if (!$message->own && [] !== array_filter($message->attachments, static fn (Attachment $one): bool => null !== $one->event)) {
            $this->calendarMail->want($to->accountId, $message->id);
        }
        if ($incoming->isDecided) {
            $this->orders->want($to->accountId, $message->id);
            $incoming->isAdvised ? $this->reading->keep($to, $message->id, $incoming->findings) : $this->reading->want($to, [$message->id]);
        }

        return $message;
    }

    /** Whether they wrote it themselves; who only pretends to be them did not. */
    private static function isOwn(MessageContent $content, Recipient $to): bool
    {
        return $to->person->is($content->from) && !$content->isDisowned;
    }

    /** What it asks of the program is wanted, once, however often it comes. */
    private function ask(AccountId $accountId, EmailId $messageId, ?Asking $asking): void
    {
        if (null !== $asking) {
            $id = Id::hashed('mail-in', $messageId->text, $asking->answers, ...$asking->details);
            $this->mailIns->want(new MadeByMail($id, $accountId, $messageId, $asking->details, $asking->answers, $this->now()));
        }
    }

    private function isBlocked(Message $message): bool
    {
        return !$message->own && $this->blocked->isAnyBlocked($message->accountId, BlockedSender::patternsFor($message->from->email));
    }

    /** What it means for its conversation, and for those who owe something, is written down. */
    private function settle(
        Message $message,
        Conversation $conversation,
        Incoming $incoming,
        bool $isBlocked,
        Recipient $to,
        \DateTimeImmutable $now,
    ): void {
        $step = new Step();
        // Of one that begins with it nothing was there before.
        0 === $conversation->summary()->messages || $step->touch($conversation);
        $step->say($conversation->subject());
        $because = $isBlocked ? null : ($this->settles)($message, $conversation, $incoming->content->report, $step, $now);
        $others = $this->isToldByItself($conversation, $message)
            ? null
            : $this->messages->ofConversation($to->accountId, $conversation->id);
        $opens = Place::Tray === $incoming->into && !$isBlocked;
        $conversation->receive($message, $opens, $now, $to->endsSnooze, $because, $to->heldUntil);
        if (null !== $others) {
            $conversation->describe([...$others, $message]);
        }
        if ('' === $step->consequence()) {
            $step->say('', \sprintf(
                '%s has written: it %s',
                $message->from->label(),
                $conversation->isHeld($now) ? 'comes in '.$conversation->awayUntil()?->text() : 'is in the tray again',
            ));
        }
        $this->journal->note($message->accountId, new EntryId($this->ids->next()), EntryKind::Arrive, $step);
    }

    /**
     * Whether what lists show of the conversation follows from what they show and this message: it is the latest, or the latest is
     * somebody else's, which says what they show whatever stands before it.
     */
    private function isToldByItself(Conversation $conversation, Message $message): bool
    {
        return 0 === $conversation->summary()->messages || $conversation->summary()->isBefore($message)
            || $this->messages->isAnsweredByHand($message->accountId, $conversation->id, $message->sentAt->instant);
    }

    private function now(): \DateTimeImmutable
    {
        return \DateTimeImmutable::createFromInterface($this->clock->now());
    }
}

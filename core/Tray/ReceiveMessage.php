<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Page;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\MessageContent;
use ZippyTray\Core\Mail\MessageReader;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Mail\ThreadIndex;
use ZippyTray\Core\Mail\UnreadableMessage;
use ZippyTray\Core\Owed\NoteArrival;

/**
 * Takes a message in: reads it, finds the conversation that it belongs to, and brings that into the
 * tray.
 *
 * How conversations are found is told in Threading. Mail of a blocked sender goes to Blocked, and opens no conversation
 * that others are in.
 */
final readonly class ReceiveMessage
{
    public function __construct(
        private MessageReader $reader,
        private Messages $messages,
        private SortIntoConversations $sort,
        private ThreadIndex $threads,
        private BlockedSenders $blocked,
        private NoteArrival $noteArrival,
        private Journal $journal,
        private Transaction $transaction,
        private ClockInterface $clock,
        private Ids $ids,
    ) {
    }

    /**
     * Takes the time that the message takes, so it belongs before a transaction.
     *
     * @throws UnreadableMessage when the bytes are no message
     */
    public function read(string $raw): MessageContent
    {
        return $this->reader->read($raw, \DateTimeImmutable::createFromInterface($this->clock->now()));
    }

    /**
     * @param string $ownEmail   the account's address: what it wrote itself is no news to it
     * @param Place  $into       Tray, or Archive for old mail that needs no decision any more
     * @param bool   $endsSnooze whether it brings back what was put off until a moment
     *
     * @return Message|null null when the message is known already
     *
     * @throws UnreadableMessage when the bytes are no message; then nothing is stored
     */
    public function __invoke(string $accountId, string $ownEmail, string $raw, Place $into = Place::Tray, bool $endsSnooze = true): ?Message
    {
        $content = $this->read($raw);

        return $this->transaction->run(fn (): ?Message => $this->take($accountId, $ownEmail, $raw, $content, $into, $endsSnooze));
    }

    /**
     * The same by who holds a transaction, and has read the message before.
     *
     * @param MessageContent $content what read() gave
     *
     * @return Message|null null when the message is known already
     */
    public function take(string $accountId, string $ownEmail, string $raw, MessageContent $content, Place $into = Place::Tray, bool $endsSnooze = true): ?Message
    {
        if ($this->messages->isKnown($accountId, $content->fingerprint)) {
            return null;
        }
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $message = Message::of($this->ids->next(), $accountId, $content, \strlen($raw), $ownEmail, $now);
        $isBlocked = !$message->own && $this->blocked->isAnyBlocked($accountId, BlockedSender::patternsFor($message->from->email));
        $conversation = ($this->sort)($message, match (true) {
            $message->own => Place::Archive,
            $isBlocked => Place::Blocked,
            default => $into,
        });
        $page = new Page();
        $page->touch($conversation);
        $page->say($conversation->subject());
        $because = $isBlocked ? null : ($this->noteArrival)($message, $conversation, $content->report, $page, $now);
        $conversation->receive($message, Place::Tray === $into && !$isBlocked, $now, $endsSnooze, $because);
        $this->messages->add($message, $raw, $conversation->id);
        $this->threads->put($message);
        if ('' === $page->consequence()) {
            $page->say('', \sprintf('%s has written: it is in the tray again', $message->from->label()));
        }
        $this->journal->note($accountId, $this->ids->next(), EntryKind::Arrive, $page);

        return $message;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\NotFound;

/**
 * The store of conversations. Every call is bound to one account.
 */
interface Conversations
{
    /** @throws NotFound */
    public function get(AccountId $accountId, ConversationId $id): Conversation;

    /**
     * @param list<string> $ids
     *
     * @return array<string, Conversation> by id, in the order of the ids
     *
     * @throws NotFound when one of them is not there
     */
    public function several(AccountId $accountId, array $ids): array;

    public function add(Conversation $conversation): void;

    /** @param list<EmailId> $messageIds messages that belong to this conversation from now on */
    public function move(array $messageIds, Conversation $conversation): void;

    /** Removes a conversation that has no messages any more. */
    public function forget(Conversation $conversation): void;

    /**
     * What lies in the bin, oldest first.
     *
     * @param \DateTimeImmutable|null $since only what has been there since this moment or longer
     *
     * @return list<Conversation>
     */
    public function binned(AccountId $accountId, ?\DateTimeImmutable $since = null): array;

    /**
     * What is in the tray now, or is held back from it, and was written by this sender, and nobody else but the person.
     *
     * @param string $pattern an address, or "@" and a domain
     *
     * @return list<Conversation>
     */
    public function waitingFrom(AccountId $accountId, string $pattern, \DateTimeImmutable $now): array;

    /**
     * What lies in Blocked and was written last by this sender.
     *
     * @return list<Conversation>
     */
    public function blockedFrom(AccountId $accountId, string $pattern): array;

    /**
     * What was put off until the next clearing, and is still away.
     *
     * @param \DateTimeImmutable $until only what was put off at this moment or before
     *
     * @return list<Conversation> what was put off first comes first
     */
    public function awaitingClearing(AccountId $accountId, \DateTimeImmutable $now, \DateTimeImmutable $until): array;

    /**
     * What has arrived and waits for the hour at which mail comes in, see Conversation::isHeld().
     *
     * @return list<Conversation> what comes in first comes first, of that what arrived first
     */
    public function held(AccountId $accountId, \DateTimeImmutable $now): array;

    /**
     * Notes that the person has looked at a conversation and has not decided. The same occasion counts once.
     *
     * @param string $occasion the clearing, or an id made by the client
     */
    public function touched(Conversation $conversation, string $occasion, \DateTimeImmutable $at): void;

    /** Removes a conversation for good, with its messages and their sources. */
    public function erase(Conversation $conversation): void;
}

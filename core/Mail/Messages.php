<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;

/**
 * The store of messages. Every call is bound to one account.
 */
interface Messages
{
    /** @throws NotFound */
    public function get(AccountId $accountId, EmailId $id): Message;

    /**
     * The id of the newest message of a conversation that somebody else wrote, or of the newest at all.
     *
     * @throws NotFound when there is no such conversation
     */
    public function newestIn(AccountId $accountId, ConversationId $conversationId): EmailId;

    /**
     * Whether somebody else wrote in a conversation after a moment, without any of the fields by which a program says that it did. It may
     * be said that nobody did although somebody has.
     */
    public function isAnsweredByHand(AccountId $accountId, ConversationId $conversationId, \DateTimeImmutable $after): bool;

    /** @return list<Message> of a conversation, oldest first */
    public function ofConversation(AccountId $accountId, ConversationId $conversationId): array;

    /** @return EmailId|null null when it is not here, or not any more */
    public function known(AccountId $accountId, string $fingerprint): ?EmailId;

    /** Whether the person has removed it for good. */
    public function isErased(AccountId $accountId, string $fingerprint): bool;

    /**
     * @param string $raw      the message's bytes, which are kept exactly
     * @param string $attached what stands in text that is attached, to be found by it
     */
    public function add(Message $message, string $raw, ConversationId $conversationId, string $attached = ''): void;

    /**
     * The message that a lasting address names.
     *
     * @param string $address a mid: address (RFC 2392), a Message-ID with or without angle brackets, or an id
     *
     * @throws NotFound
     */
    public function at(AccountId $accountId, string $address): Message;

    /**
     * @return string the message's bytes, exactly as they came
     *
     * @throws NotFound
     */
    public function source(Message $message): string;

    /** The id of the conversation that the message is in now. */
    public function conversationOf(Message $message): ConversationId;
}

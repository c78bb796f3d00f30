<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

use ZippyTray\Core\NotFound;

/**
 * The store of messages. Every call is bound to one account.
 */
interface Messages
{
    /** @throws NotFound */
    public function get(string $accountId, string $id): Message;

    public function isKnown(string $accountId, string $fingerprint): bool;

    /** @param string $raw the message's bytes, which are kept exactly */
    public function add(Message $message, string $raw, string $conversationId): void;

    /** The id of the conversation that the message is in now. */
    public function conversationOf(Message $message): string;
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

/**
 * Remembers which Message-IDs belong to which conversation, those of messages that never came included.
 */
interface ThreadIndex
{
    /**
     * @param list<string> $messageIds
     *
     * @return list<string> ids of the conversations that any of them belongs to, the oldest first
     */
    public function conversations(string $accountId, array $messageIds): array;

    /** @param list<string> $messageIds */
    public function put(string $accountId, array $messageIds, string $conversationId): void;
}

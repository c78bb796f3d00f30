<?php

declare(strict_types=1);

namespace ZippyTray\Core\Owed;

use ZippyTray\Core\NotFound;

/**
 * The store of what others owe. Every call is bound to one account.
 */
interface Owing
{
    /** @throws NotFound */
    public function get(string $accountId, string $id): Owed;

    public function add(Owed $owed): void;

    /** @return list<Owed> what is open in a conversation, in the order in which it was asked for */
    public function openIn(string $accountId, string $conversationId): array;

    /** @return list<Owed> what is open of those that a message asked */
    public function openOf(string $accountId, string $outgoingId): array;

    /** What was asked for in one conversation is asked for in another from now on. */
    public function move(string $accountId, string $fromConversation, string $toConversation): void;
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Owed;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\NotFound;

/**
 * The store of what others owe. Every call is bound to one account.
 */
interface Owing
{
    /** @throws NotFound */
    public function get(AccountId $accountId, string $id): Owed;

    public function add(Owed $owed): void;

    /** @return list<Owed> what is open in a conversation, in the order in which it was asked for */
    public function openIn(AccountId $accountId, ConversationId $conversationId): array;

    /** @return list<Owed> what is open of those that a message asked */
    public function openOf(AccountId $accountId, OutgoingId $outgoingId): array;

    /** What was asked for in one conversation is asked for in another from now on. */
    public function move(AccountId $accountId, ConversationId $fromConversation, ConversationId $toConversation): void;
}

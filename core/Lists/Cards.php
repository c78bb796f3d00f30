<?php

declare(strict_types=1);

namespace ZippyTray\Core\Lists;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Task\ListId;

/**
 * Which conversations belong to which lists. Every call is bound to one account.
 */
interface Cards
{
    /** @return list<Card> */
    public function ofConversation(AccountId $accountId, ConversationId $conversationId): array;

    /** @return list<Card> */
    public function ofList(AccountId $accountId, ListId $listId): array;

    public function put(Card $card): void;

    public function takeOut(Card $card): void;
}

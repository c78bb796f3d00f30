<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\ConversationId;

/**
 * What orders have done. Every call is bound to one account.
 */
interface Effects
{
    /** @param bool $past whether it took the conversation past the tray */
    public function note(
        AccountId $accountId,
        OrderId $orderId,
        EntryId $entryId,
        ConversationId $conversationId,
        bool $past,
        \DateTimeImmutable $at,
    ): void;

    /** Whether an order has answered that address since then. */
    public function hasAnswered(AccountId $accountId, string $email, \DateTimeImmutable $since): bool;

    public function noteAnswer(AccountId $accountId, string $email, \DateTimeImmutable $at): void;
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Lift;
use ZippyTray\Core\Journal\ObjectKind;

/**
 * Since version 2 it is kept whether a conversation was decided without a look at it.
 */
final readonly class ConversationsSayWhetherRead implements Lift
{
    public function kind(): ObjectKind
    {
        return ObjectKind::Conversation;
    }

    public function from(): int
    {
        return 1;
    }

    public function lift(array $state, AccountId $accountId): array
    {
        return $state + ['decidedUnread' => false];
    }
}

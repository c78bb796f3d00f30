<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;

/**
 * The store of blocked senders. Every call is bound to one account.
 */
interface BlockedSenders
{
    /** @throws NotFound */
    public function get(AccountId $accountId, string $id): BlockedSender;

    public function find(AccountId $accountId, string $pattern): ?BlockedSender;

    /** @param list<string> $patterns */
    public function isAnyBlocked(AccountId $accountId, array $patterns): bool;

    public function add(BlockedSender $sender): void;

    public function remove(BlockedSender $sender): void;
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\NotFound;

/**
 * The store of blocked senders. Every call is bound to one account.
 */
interface BlockedSenders
{
    /** @throws NotFound */
    public function get(string $accountId, string $id): BlockedSender;

    public function find(string $accountId, string $pattern): ?BlockedSender;

    /** @param list<string> $patterns */
    public function isAnyBlocked(string $accountId, array $patterns): bool;

    public function add(BlockedSender $sender): void;

    public function remove(BlockedSender $sender): void;
}

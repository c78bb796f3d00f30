<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;

/**
 * Where events are kept. Every call is bound to one account.
 */
interface Events
{
    /** @throws NotFound */
    public function get(AccountId $accountId, EventId $id): Event;

    /** The event with a UID (RFC 5545, 3.8.4.7), by which it is known everywhere. */
    public function withUid(AccountId $accountId, string $uid): ?Event;

    public function add(Event $event): void;

    public function remove(Event $event): void;
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Stamp;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;

/**
 * Where stamps are kept. Every call is bound to one account.
 */
interface Stamps
{
    /** @throws NotFound */
    public function get(AccountId $accountId, StampId $id): Stamp;

    /** @return list<Stamp> those with a key first, by it, then by name */
    public function all(AccountId $accountId): array;

    public function add(Stamp $stamp): void;

    public function remove(Stamp $stamp): void;
}

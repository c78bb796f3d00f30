<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\NotFound;

/**
 * The store of clearings. Every call is bound to one account.
 */
interface Clearings
{
    /** @throws NotFound */
    public function get(AccountId $accountId, ClearingId $id): Clearing;

    public function find(AccountId $accountId, ClearingId $id): ?Clearing;

    public function add(Clearing $clearing): void;
}

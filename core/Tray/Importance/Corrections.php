<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;

/**
 * Where corrections are kept. Every call is bound to one account.
 */
interface Corrections
{
    /** @throws NotFound */
    public function get(AccountId $accountId, string $id): Correction;

    public function of(AccountId $accountId, string $trait): ?Correction;

    public function add(Correction $correction): void;

    public function remove(Correction $correction): void;
}

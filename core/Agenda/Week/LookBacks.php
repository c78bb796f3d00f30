<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Week;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Time\LocalDate;

/**
 * Where it is kept how far somebody has come. Every call is bound to one account.
 */
interface LookBacks
{
    /** @param LocalDate $week its first day */
    public function of(AccountId $accountId, LocalDate $week): ?LookBack;

    public function add(LookBack $lookBack): void;
}

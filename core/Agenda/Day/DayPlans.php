<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Day;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Time\LocalDate;

/**
 * Where the plans of days are kept. Every call is bound to one account.
 */
interface DayPlans
{
    /** There is one at most. */
    public function of(AccountId $accountId, LocalDate $day): ?DayPlan;

    public function add(DayPlan $plan): void;
}

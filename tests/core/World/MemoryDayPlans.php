<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Day\DayPlan;
use ZippyTray\Core\Agenda\Day\DayPlans;
use ZippyTray\Core\Time\LocalDate;

final readonly class MemoryDayPlans implements DayPlans
{
    public function __construct(private Memory $memory)
    {
    }

    public function of(AccountId $accountId, LocalDate $day): ?DayPlan
    {
        return array_values(array_filter(
            $this->memory->plans,
            static fn (DayPlan $plan): bool => (string) $plan->day() === (string) $day,
        ))[0] ?? null;
    }

    public function add(DayPlan $plan): void
    {
        $this->memory->plans[$plan->id->text] = $plan;
    }
}

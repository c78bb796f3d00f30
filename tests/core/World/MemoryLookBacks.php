<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Week\LookBack;
use ZippyTray\Core\Agenda\Week\LookBacks;
use ZippyTray\Core\Time\LocalDate;

final class MemoryLookBacks implements LookBacks
{
    /** @var array<string, LookBack> by week */
    public array $lookBacks = [];

    public function of(AccountId $accountId, LocalDate $week): ?LookBack
    {
        return $this->lookBacks[(string) $week] ?? null;
    }

    public function add(LookBack $lookBack): void
    {
        $this->lookBacks[(string) $lookBack->week()] = $lookBack;
    }
}

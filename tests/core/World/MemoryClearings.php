<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Tray\Clearing;
use ZippyTray\Core\Tray\Clearings;

final readonly class MemoryClearings implements Clearings
{
    public function __construct(private Memory $memory)
    {
    }

    public function find(AccountId $accountId, ClearingId $id): ?Clearing
    {
        return $this->memory->clearings[$id->text] ?? null;
    }

    public function get(AccountId $accountId, ClearingId $id): Clearing
    {
        return $this->find($accountId, $id) ?? throw new NotFound('clearing', $id->text);
    }

    public function add(Clearing $clearing): void
    {
        $this->memory->clearings[$clearing->id->text] = $clearing;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Stamp\Stamp;
use ZippyTray\Core\Stamp\StampId;
use ZippyTray\Core\Stamp\Stamps;

final readonly class MemoryStamps implements Stamps
{
    public function __construct(private Memory $memory)
    {
    }

    public function get(AccountId $accountId, StampId $id): Stamp
    {
        return $this->memory->stamps[$id->text] ?? throw new NotFound('stamp', $id->text);
    }

    public function all(AccountId $accountId): array
    {
        return array_values($this->memory->stamps);
    }

    public function add(Stamp $stamp): void
    {
        $this->memory->stamps[$stamp->id->text] = $stamp;
    }

    public function remove(Stamp $stamp): void
    {
        unset($this->memory->stamps[$stamp->id->text]);
    }
}

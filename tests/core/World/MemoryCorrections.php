<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Tray\Importance\Correction;
use ZippyTray\Core\Tray\Importance\Corrections;

final readonly class MemoryCorrections implements Corrections
{
    public function __construct(private Memory $memory)
    {
    }

    public function get(AccountId $accountId, string $id): Correction
    {
        return $this->memory->corrections[$id] ?? throw new NotFound('correction', $id);
    }

    public function of(AccountId $accountId, string $trait): ?Correction
    {
        foreach ($this->memory->corrections as $correction) {
            if ($correction->trait === $trait) {
                return $correction;
            }
        }

        return null;
    }

    public function add(Correction $correction): void
    {
        $this->memory->corrections[$correction->id] = $correction;
    }

    public function remove(Correction $correction): void
    {
        unset($this->memory->corrections[$correction->id]);
    }
}

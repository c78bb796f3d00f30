<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Find\KeptSearch;
use ZippyTray\Core\Find\KeptSearches;

final readonly class MemoryKeptSearches implements KeptSearches
{
    public function __construct(private Memory $memory)
    {
    }

    public function all(AccountId $accountId): array
    {
        $all = array_values($this->memory->searches);
        usort($all, static fn (KeptSearch $one, KeptSearch $other): int => strcmp($one->rank(), $other->rank()));

        return $all;
    }

    public function add(KeptSearch $search): void
    {
        $this->memory->searches[$search->id] = $search;
    }

    public function remove(KeptSearch $search): void
    {
        unset($this->memory->searches[$search->id]);
    }
}

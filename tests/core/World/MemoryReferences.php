<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Lists\Reference;
use ZippyTray\Core\Lists\References;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\ListId;

final readonly class MemoryReferences implements References
{
    public function __construct(private Memory $memory)
    {
    }

    public function get(AccountId $accountId, string $id): Reference
    {
        return $this->memory->references[$id] ?? throw new NotFound('thing to look up', $id);
    }

    public function ofList(AccountId $accountId, ListId $listId): array
    {
        $found = array_filter($this->memory->references, static fn (Reference $one): bool => $one->listId()->is($listId));
        usort($found, static fn (Reference $one, Reference $other): int => strcmp($one->rank(), $other->rank()));

        return $found;
    }

    public function rankBehind(AccountId $accountId, ListId $listId, ?string $rank, string $except = ''): ?string
    {
        foreach ($this->ofList($accountId, $listId) as $one) {
            if ($one->rank() > ($rank ?? '') && $one->id !== $except) {
                return $one->rank();
            }
        }

        return null;
    }

    public function lastRank(AccountId $accountId, ListId $listId): ?string
    {
        $all = $this->ofList($accountId, $listId);

        return [] === $all ? null : end($all)->rank();
    }

    public function add(Reference $reference): void
    {
        $this->memory->references[$reference->id] = $reference;
    }

    public function remove(Reference $reference): void
    {
        unset($this->memory->references[$reference->id]);
    }
}

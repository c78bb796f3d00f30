<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Tray\BlockedSender;
use ZippyTray\Core\Tray\BlockedSenders;

final readonly class MemoryBlockedSenders implements BlockedSenders
{
    public function __construct(private Memory $memory)
    {
    }

    public function get(AccountId $accountId, string $id): BlockedSender
    {
        return $this->memory->senders[$id] ?? throw new NotFound('blocked sender', $id);
    }

    public function find(AccountId $accountId, string $pattern): ?BlockedSender
    {
        foreach ($this->memory->senders as $sender) {
            if ($sender->pattern === $pattern) {
                return $sender;
            }
        }

        return null;
    }

    public function isAnyBlocked(AccountId $accountId, array $patterns): bool
    {
        return [] !== array_filter($patterns, fn (string $pattern): bool => null !== $this->find($accountId, $pattern));
    }

    public function add(BlockedSender $sender): void
    {
        $this->memory->senders[$sender->id] = $sender;
    }

    public function remove(BlockedSender $sender): void
    {
        unset($this->memory->senders[$sender->id]);
    }
}

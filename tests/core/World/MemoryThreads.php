<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\Mail\ThreadIndex;

final readonly class MemoryThreads implements ThreadIndex
{
    public function __construct(private Memory $memory)
    {
    }

    public function conversations(string $accountId, array $messageIds): array
    {
        $found = array_values(array_unique(array_intersect_key($this->memory->threads, array_flip($messageIds))));
        sort($found);

        return $found;
    }

    public function put(string $accountId, array $messageIds, string $conversationId): void
    {
        foreach ($messageIds as $id) {
            $this->memory->threads[$id] ??= $conversationId;
        }
    }
}

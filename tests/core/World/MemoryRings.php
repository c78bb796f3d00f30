<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Remind\Reminding;
use ZippyTray\Core\Remind\Ring;
use ZippyTray\Core\Remind\Rings;
use ZippyTray\Core\Tray\Place;

final readonly class MemoryRings implements Rings
{
    public function __construct(private Memory $memory)
    {
    }

    public function reminding(AccountId $accountId): iterable
    {
        foreach ($this->memory->tasks as $task) {
            if (!$task->isDone()) {
                yield new Reminding($task->ref(), $task->start(), $task->due(), $task->reminders());
            }
        }
        foreach ($this->memory->conversations as $conversation) {
            if (!\in_array($conversation->state()['place'], [Place::Bin->value, Place::Blocked->value], true)) {
                yield new Reminding($conversation->ref(), null, $conversation->due(), $conversation->reminders());
            }
        }
    }

    public function lookedAt(AccountId $accountId): ?\DateTimeImmutable
    {
        return $this->memory->lookedAt;
    }

    public function noteLook(AccountId $accountId, \DateTimeImmutable $now): void
    {
        $this->memory->lookedAt = $now;
    }

    public function withKeys(AccountId $accountId, array $keys): array
    {
        $rings = [];
        foreach ($this->memory->rings as $ring) {
            if (\in_array($ring->key, $keys, true)) {
                $rings[$ring->key] = $ring;
            }
        }

        return $rings;
    }

    public function add(Ring $ring): void
    {
        $this->memory->rings[$ring->id] = $ring;
    }

    public function get(AccountId $accountId, string $id): Ring
    {
        return $this->memory->rings[$id] ?? throw new NotFound('reminder', $id);
    }
}

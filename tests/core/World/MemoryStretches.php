<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Clock\Stretch;
use ZippyTray\Core\Agenda\Clock\Stretches;
use ZippyTray\Core\Agenda\Clock\StretchId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\TaskId;

final readonly class MemoryStretches implements Stretches
{
    public function __construct(private Memory $memory)
    {
    }

    public function get(AccountId $accountId, StretchId $id): Stretch
    {
        return $this->find($accountId, $id) ?? throw new NotFound('stretch', $id->text);
    }

    public function find(AccountId $accountId, StretchId $id): ?Stretch
    {
        return $this->memory->stretches[$id->text] ?? null;
    }

    public function running(AccountId $accountId): ?Stretch
    {
        return array_values(array_filter($this->memory->stretches, static fn (Stretch $one): bool => $one->runs()))[0] ?? null;
    }

    public function ofTask(AccountId $accountId, TaskId $taskId): array
    {
        return array_values(array_filter(
            $this->memory->stretches,
            static fn (Stretch $one): bool => true === $one->taskId()?->is($taskId),
        ));
    }

    public function add(Stretch $stretch): void
    {
        $this->memory->stretches[$stretch->id->text] = $stretch;
    }

    public function remove(Stretch $stretch): void
    {
        unset($this->memory->stretches[$stretch->id->text]);
    }
}

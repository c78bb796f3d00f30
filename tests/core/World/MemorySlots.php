<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Slot;
use ZippyTray\Core\Agenda\SlotId;
use ZippyTray\Core\Agenda\Slots;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\TaskId;

final readonly class MemorySlots implements Slots
{
    public function __construct(private Memory $memory)
    {
    }

    public function get(AccountId $accountId, SlotId $id): Slot
    {
        return $this->memory->slots[$id->text] ?? throw new NotFound('slot', $id->text);
    }

    public function ofTask(AccountId $accountId, TaskId $taskId): array
    {
        $slots = array_values(array_filter($this->memory->slots, static fn (Slot $slot): bool => $slot->taskId()->is($taskId)));
        usort($slots, static fn (Slot $one, Slot $other): int => $one->when()->text() <=> $other->when()->text());

        return $slots;
    }

    public function add(Slot $slot): void
    {
        $this->memory->slots[$slot->id->text] = $slot;
    }

    public function remove(Slot $slot): void
    {
        unset($this->memory->slots[$slot->id->text]);
    }
}

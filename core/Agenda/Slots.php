<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\TaskId;

/**
 * Where slots are kept. Every call is bound to one account.
 */
interface Slots
{
    /** @throws NotFound */
    public function get(AccountId $accountId, SlotId $id): Slot;

    /** @return list<Slot> in order of their days, those without an hour first */
    public function ofTask(AccountId $accountId, TaskId $taskId): array;

    public function add(Slot $slot): void;

    public function remove(Slot $slot): void;
}

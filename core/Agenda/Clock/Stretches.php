<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Clock;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\TaskId;

/**
 * Where stretches of work are kept. Every call is bound to one account.
 */
interface Stretches
{
    /** @throws NotFound */
    public function get(AccountId $accountId, StretchId $id): Stretch;

    public function find(AccountId $accountId, StretchId $id): ?Stretch;

    /** The one whose clock runs; there is never more than one. */
    public function running(AccountId $accountId): ?Stretch;

    /** @return list<Stretch> in the order in which they began */
    public function ofTask(AccountId $accountId, TaskId $taskId): array;

    public function add(Stretch $stretch): void;

    public function remove(Stretch $stretch): void;
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\Due;

/**
 * Where a task is to be laid.
 */
final readonly class NewSlot
{
    /**
     * @param SlotId   $id      made by the client
     * @param int|null $minutes null: what of the estimate lies nowhere yet
     */
    public function __construct(public SlotId $id, public TaskId $taskId, public Due $when, public ?int $minutes = null)
    {
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Agenda\NewSlot;
use ZippyTray\Core\Agenda\SlotId;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Server\Http\Payload\WhenField;

/**
 * Where a new task is to be laid.
 */
final readonly class SlotField
{
    /** @param int|null $minutes null: what of the estimate lies nowhere yet */
    public function __construct(
        #[Assert\Uuid]
        public string $id,
        public WhenField $when,
        public ?int $minutes = null,
    ) {
    }

    public function of(TaskId $task, Speaker $speaker): NewSlot
    {
        return new NewSlot(new SlotId($this->id), $task, $this->when->due($speaker, 'when'), $this->minutes);
    }
}

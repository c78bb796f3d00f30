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
 * Where a task is to be laid.
 */
final readonly class SlotOfTask
{
    /** @param int|null $minutes null: what of the estimate lies nowhere yet */
    public function __construct(
        #[Assert\Uuid]
        public string $id,
        #[Assert\Uuid]
        public string $task,
        public WhenField $when,
        public ?int $minutes = null,
    ) {
    }

    public function slot(Speaker $speaker): NewSlot
    {
        return new NewSlot(new SlotId($this->id), new TaskId($this->task), $this->when->due($speaker, 'when'), $this->minutes);
    }
}

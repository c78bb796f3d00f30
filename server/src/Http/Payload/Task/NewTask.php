<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Task\Jot\ReadJot;
use ZippyTray\Core\Task\Outline;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Server\Http\Payload\Agenda\SlotField;
use ZippyTray\Server\Http\Payload\Tray\ClaimField;

final readonly class NewTask
{
    /**
     * @param list<OutlineField> $subtasks
     * @param bool               $jotted   the title is a jotted line, with clauses behind semicolons; its list and notes are those of the
     *                                     fields where it names none
     * @param SlotField|null     $slot     where it is laid
     */
    public function __construct(
        #[Assert\Uuid]
        public string $id,
        #[Assert\Valid]
        public FieldsOfTask $fields,
        #[Assert\Uuid]
        public ?string $message = null,
        #[Assert\Valid]
        public ?ClaimField $conversation = null,
        #[Assert\Uuid]
        public ?string $parent = null,
        #[Assert\Valid]
        public array $subtasks = [],
        public bool $jotted = false,
        public bool $done = false,
        #[Assert\Valid]
        public ?SlotField $slot = null,
    ) {
    }

    public function order(Speaker $speaker): TaskOrder
    {
        $fields = $this->jotted
            ? ReadJot::of(
                $this->fields->title,
                $speaker,
            )->fields->noting($this->fields->notes)->in('' === trim($this->fields->list) ? null : $this->fields->list)
            : $this->fields->read($speaker);

        return new TaskOrder(
            new TaskId($this->id),
            $fields,
            EmailId::orNull($this->message),
            $this->conversation?->claim(),
            TaskId::orNull($this->parent),
            array_map(static fn (OutlineField $one): Outline => $one->outline($speaker), $this->subtasks),
            $this->done,
        );
    }
}

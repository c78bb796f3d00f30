<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Task\Outline;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Core\Time\When\Speaker;

final readonly class NewTask
{
    /** @param list<OutlineField> $subtasks */
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
    ) {
    }

    public function order(Speaker $speaker): TaskOrder
    {
        return new TaskOrder($this->id, $this->fields->read($speaker), $this->message, $this->conversation?->claim(), $this->parent, array_map(static fn (OutlineField $one): Outline => $one->outline(), $this->subtasks));
    }
}

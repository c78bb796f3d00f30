<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class TaskEdit
{
    /** @param int $revision that of the task when it was opened */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        public int $revision,
        #[Assert\Valid]
        public FieldsOfTask $fields,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Task\TaskId;

/**
 * A step that is done with one task or with several.
 */
abstract readonly class SomeTasks
{
    /** @param list<string> $tasks */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Count(min: 1, max: 10000, minMessage: 'Which tasks?', maxMessage: 'At most {{ limit }} tasks in one step.'),
            Assert\All([new Assert\Uuid()])]
        public array $tasks,
    ) {
    }

    /** @return non-empty-list<TaskId> */
    public function ids(): array
    {
        return array_map(
            static fn (string $id): TaskId => new TaskId($id),
            [] === $this->tasks ? throw new \LogicException('Validation lets no empty list through.') : $this->tasks,
        );
    }
}

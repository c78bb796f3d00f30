<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Agenda\NewSlot;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Core\Time\Field\Speaker;

final readonly class NewTasks
{
    /**
     * @param list<NewTask>   $tasks
     * @param AskedField|null $asked what is owed and is asked for by them
     */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Count(min: 1, max: 500, minMessage: 'There is no task to make.', maxMessage: 'At most {{ limit }} tasks can be made in '
            .'one step.'), Assert\Valid]
        public array $tasks,
        #[Assert\Uuid]
        public ?string $clearing = null,
        #[Assert\Valid]
        public ?AskedField $asked = null,
    ) {
    }

    /** @return list<NewSlot> */
    public function slots(Speaker $speaker): array
    {
        return array_values(array_filter(array_map(
            static fn (NewTask $task): ?NewSlot => $task->slot?->of(new TaskId($task->id), $speaker),
            $this->tasks,
        )));
    }

    /** @return non-empty-list<TaskOrder> */
    public function orders(Speaker $speaker): array
    {
        $orders = array_map(static fn (NewTask $task): TaskOrder => $task->order($speaker), $this->tasks);

        return [] === $orders ? throw new \LogicException('Validation lets no empty list through.') : $orders;
    }
}

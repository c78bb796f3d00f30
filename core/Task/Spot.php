<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

/**
 * Where tasks are to go in the person's own order.
 */
final readonly class Spot
{
    /**
     * @param ListId|null $listId   at the top level of that list
     * @param TaskId|null $parentId under that task
     * @param TaskId|null $behindId right behind that task, beside it
     * @param bool        $first    at the beginning instead of the end
     */
    private function __construct(public ?ListId $listId, public ?TaskId $parentId, public ?TaskId $behindId, public bool $first)
    {
    }

    public static function in(ListId $listId, bool $first = false): self
    {
        return new self($listId, null, null, $first);
    }

    public static function under(TaskId $parentId, bool $first = false): self
    {
        return new self(null, $parentId, null, $first);
    }

    public static function behind(TaskId $taskId): self
    {
        return new self(null, null, $taskId, false);
    }
}

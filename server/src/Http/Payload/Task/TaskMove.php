<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Spot;
use ZippyTray\Core\Task\TaskId;

final readonly class TaskMove extends SomeTasks
{
    /** @param list<string> $tasks */
    public function __construct(
        string $entry,
        array $tasks,
        #[Assert\Uuid]
        public ?string $behind = null,
        #[Assert\Uuid]
        public ?string $parent = null,
        #[Assert\Uuid]
        public ?string $list = null,
        public bool $first = false,
    ) {
        parent::__construct($entry, $tasks);
    }

    /** @throws Refused when no place is named */
    public function spot(): Spot
    {
        return match (true) {
            null !== $this->behind => Spot::behind(new TaskId($this->behind)),
            null !== $this->parent => Spot::under(new TaskId($this->parent), $this->first),
            null !== $this->list => Spot::in(new ListId($this->list), $this->first),
            default => throw new Refused('Where to?'),
        };
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\PutOff;
use ZippyTray\Core\Task\PutOffWhat;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Server\Http\Payload\WhenField;

final readonly class PutOffField extends SomeTasks
{
    /** @param list<string> $tasks */
    public function __construct(
        string $entry,
        array $tasks,
        #[Assert\NotNull]
        public ?WhenField $to = null,
        public ?PutOffWhat $what = null,
    ) {
        parent::__construct($entry, $tasks);
    }

    /** @throws Refused */
    public function putOff(Speaker $speaker): PutOff
    {
        return new PutOff($this->to?->due($speaker, 'to') ?? throw new Refused('Until when?', 'to'), $this->what);
    }
}

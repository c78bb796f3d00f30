<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Task;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Task\Jot\ReadJot;
use ZippyTray\Core\Task\Outline;
use ZippyTray\Core\Time\Field\Speaker;

final readonly class OutlineField
{
    /** @param list<OutlineField> $under */
    public function __construct(
        public string $title,
        public bool $done = false,
        #[Assert\Valid]
        public array $under = [],
        public string $notes = '',
        public bool $jotted = false,
    ) {
    }

    public function outline(Speaker $speaker): Outline
    {
        return new Outline(
            $this->title,
            $this->done,
            array_map(static fn (self $one): Outline => $one->outline($speaker), $this->under),
            $this->notes,
            $this->jotted ? ReadJot::of($this->title, $speaker)->fields : null,
        );
    }
}

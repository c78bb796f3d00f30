<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class EventMoveField
{
    /**
     * @param string|null $key which one of a series
     * @param bool        $all whether all of it go along with that one
     */
    public function __construct(
        #[Assert\Uuid]
        public string $id,
        #[Assert\Valid]
        public EventWhenField $when,
        public ?string $key = null,
        public bool $all = false,
    ) {
    }
}

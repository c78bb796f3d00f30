<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Server\Http\Payload\WhenField;

final readonly class NewSlot
{
    /** @param int|null $minutes null: what of the estimate lies nowhere yet */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Uuid]
        public string $task,
        public WhenField $when,
        public ?int $minutes = null,
    ) {
    }
}

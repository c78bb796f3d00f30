<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Server\Http\Payload\WhenField;

final readonly class SlotMoveField
{
    /** @param int|null $minutes null: as long as it was */
    public function __construct(
        #[Assert\Uuid]
        public string $id,
        public WhenField $when,
        public ?int $minutes = null,
    ) {
    }
}

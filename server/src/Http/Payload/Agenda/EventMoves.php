<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class EventMoves
{
    /** @param non-empty-list<EventMoveField> $moves */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Count(min: 1, max: 100), Assert\Valid]
        public array $moves,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Agenda\SlotId;
use ZippyTray\Core\Agenda\SlotMove;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Field\Speaker;

final readonly class SlotMoves
{
    /** @param non-empty-list<SlotMoveField> $moves */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Count(min: 1, max: 500), Assert\Valid]
        public array $moves,
    ) {
    }

    /**
     * @return non-empty-list<SlotMove>
     *
     * @throws Refused when a time cannot be read
     */
    public function moves(Speaker $speaker): array
    {
        return array_map(static fn (SlotMoveField $move): SlotMove => new SlotMove(
            new SlotId($move->id),
            $move->when->due($speaker, 'when'),
            $move->minutes,
        ), $this->moves);
    }
}

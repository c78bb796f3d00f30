<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Agenda\NewSlot;
use ZippyTray\Core\Time\Field\Speaker;

/**
 * Tasks are to be laid, in one step.
 */
final readonly class NewSlots
{
    /** @param list<SlotOfTask> $slots */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Count(min: 1, max: 100), Assert\Valid]
        public array $slots,
    ) {
    }

    /** @return non-empty-list<NewSlot> */
    public function slots(Speaker $speaker): array
    {
        $slots = array_map(static fn (SlotOfTask $one): NewSlot => $one->slot($speaker), $this->slots);

        return [] === $slots ? throw new \LogicException('Validation lets no empty list through.') : $slots;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Agenda;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Agenda\SlotId;

final readonly class SomeSlots
{
    /** @param non-empty-list<string> $slots */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Count(min: 1, max: 500), Assert\All([new Assert\Uuid()])]
        public array $slots,
    ) {
    }

    /** @return non-empty-list<SlotId> */
    public function ids(): array
    {
        return array_map(static fn (string $id): SlotId => new SlotId($id), $this->slots);
    }
}

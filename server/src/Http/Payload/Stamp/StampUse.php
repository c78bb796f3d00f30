<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Stamp;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Server\Http\Payload\Tray\ClaimField;

final readonly class StampUse
{
    /** @param list<ClaimField> $conversations */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Count(min: 1, max: 10_000, minMessage: 'Select a conversation first.'), Assert\Valid]
        public array $conversations,
        #[Assert\Uuid]
        public ?string $clearing = null,
    ) {
    }

    /** @return list<Claim> */
    public function claims(): array
    {
        return array_map(static fn (ClaimField $field): Claim => $field->claim(), $this->conversations);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Post;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Server\Http\Payload\Tray\ClaimField;
use ZippyTray\Server\Http\Payload\WhenField;

final readonly class OwedTakeUp
{
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        public WhenField $until,
        #[Assert\Valid]
        public ?ClaimField $conversation = null,
        #[Assert\Uuid]
        public ?string $clearing = null,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Label;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class LabelMerge
{
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Uuid]
        public string $into,
    ) {
    }
}

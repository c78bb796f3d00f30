<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Lists;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class ReferenceChange
{
    /** @param ReferenceWords $was what stood there when somebody began to write */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Valid]
        public ReferenceWords $now,
        #[Assert\Valid]
        public ReferenceWords $was,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class EntryOnly
{
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Post;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class OwedSettling
{
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Choice(['answered', 'dropped'])]
        public string $as,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Post;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Server\Http\Payload\WhenField;

final readonly class OwedMove
{
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        public WhenField $until,
    ) {
    }
}

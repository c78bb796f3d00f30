<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Tray;

use Symfony\Component\Validator\Constraints as Assert;

/**
 * A conversation was looked at without a decision.
 */
final readonly class Touch
{
    public function __construct(
        #[Assert\Uuid]
        public string $occasion,
    ) {
    }
}

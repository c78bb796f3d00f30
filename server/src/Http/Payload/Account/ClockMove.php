<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Account;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class ClockMove
{
    public function __construct(
        #[Assert\Choice(['hour', 'morning', 'week'])]
        public string $to,
    ) {
    }
}

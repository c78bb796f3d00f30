<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Order;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class OrderTurn
{
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        public bool $on,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Order;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class OrderPlace
{
    /** @param string|null $behind the one behind which it is to come; null: the first */
    public function __construct(
        #[Assert\Uuid]
        public string $entry,
        #[Assert\Uuid]
        public ?string $behind = null,
    ) {
    }
}

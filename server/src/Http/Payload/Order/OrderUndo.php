<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Order;

use Symfony\Component\Validator\Constraints as Assert;

/**
 * All that orders did on a day is taken back.
 */
final readonly class OrderUndo
{
    /** @param string|null $order only what that one did */
    public function __construct(
        #[Assert\Date]
        public string $day,
        #[Assert\Uuid]
        public ?string $order = null,
    ) {
    }
}

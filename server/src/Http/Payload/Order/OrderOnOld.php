<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Order;

use Symfony\Component\Validator\Constraints as Assert;

/**
 * An order is carried out on a part of the mail that is here already.
 */
final readonly class OrderOnOld
{
    /**
     * @param string $run   made by the client: the same for all parts
     * @param string $after `next` of the part before; empty for the first
     */
    public function __construct(
        #[Assert\Uuid]
        public string $run,
        #[Assert\Length(max: 100)]
        public string $after = '',
    ) {
    }
}

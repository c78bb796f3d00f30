<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Tray;

use Symfony\Component\Validator\Constraints as Assert;
use ZippyTray\Core\Tray\ClearingOrder;

final readonly class NewClearing
{
    public function __construct(
        #[Assert\Uuid]
        public string $id,
        public ClearingOrder $order,
    ) {
    }
}

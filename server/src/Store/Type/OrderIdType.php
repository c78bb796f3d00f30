<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use ZippyTray\Core\Order\OrderId;

final class OrderIdType extends IdType
{
    protected function kind(): string
    {
        return OrderId::class;
    }
}

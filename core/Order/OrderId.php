<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order;

use ZippyTray\Core\Id;

/**
 * Which standing order.
 */
final readonly class OrderId extends Id
{
}

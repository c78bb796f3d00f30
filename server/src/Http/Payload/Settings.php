<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload;

use ZippyTray\Core\Tray\ClearingOrder;

final readonly class Settings
{
    /** @param bool $dayFirst whether 4/12 is the fourth of December */
    public function __construct(public bool $dayFirst, public ClearingOrder $clearingOrder)
    {
    }
}

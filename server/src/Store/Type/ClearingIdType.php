<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use ZippyTray\Core\Journal\ClearingId;

final class ClearingIdType extends IdType
{
    protected function kind(): string
    {
        return ClearingId::class;
    }
}

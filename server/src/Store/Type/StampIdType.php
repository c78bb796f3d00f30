<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use ZippyTray\Core\Stamp\StampId;

final class StampIdType extends IdType
{
    protected function kind(): string
    {
        return StampId::class;
    }
}

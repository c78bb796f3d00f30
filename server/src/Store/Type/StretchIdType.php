<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use ZippyTray\Core\Agenda\Clock\StretchId;

final class StretchIdType extends IdType
{
    protected function kind(): string
    {
        return StretchId::class;
    }
}

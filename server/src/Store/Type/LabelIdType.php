<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use ZippyTray\Core\Label\LabelId;

final class LabelIdType extends IdType
{
    protected function kind(): string
    {
        return LabelId::class;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use ZippyTray\Core\Agenda\SlotId;

final class SlotIdType extends IdType
{
    protected function kind(): string
    {
        return SlotId::class;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use ZippyTray\Core\Mail\OutgoingId;

final class OutgoingIdType extends IdType
{
    protected function kind(): string
    {
        return OutgoingId::class;
    }
}

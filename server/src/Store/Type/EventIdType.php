<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use ZippyTray\Core\Agenda\Event\EventId;

final class EventIdType extends IdType
{
    protected function kind(): string
    {
        return EventId::class;
    }
}

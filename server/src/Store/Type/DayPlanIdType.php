<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use ZippyTray\Core\Agenda\Day\DayPlanId;

final class DayPlanIdType extends IdType
{
    protected function kind(): string
    {
        return DayPlanId::class;
    }
}

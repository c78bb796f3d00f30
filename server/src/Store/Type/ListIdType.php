<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use ZippyTray\Core\Task\ListId;

final class ListIdType extends IdType
{
    protected function kind(): string
    {
        return ListId::class;
    }
}

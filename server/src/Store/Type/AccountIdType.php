<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use ZippyTray\Core\AccountId;

final class AccountIdType extends IdType
{
    protected function kind(): string
    {
        return AccountId::class;
    }
}

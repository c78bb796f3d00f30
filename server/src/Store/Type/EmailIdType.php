<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use ZippyTray\Core\Mail\EmailId;

final class EmailIdType extends IdType
{
    protected function kind(): string
    {
        return EmailId::class;
    }
}

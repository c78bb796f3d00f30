<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use ZippyTray\Core\Mail\ConversationId;

final class ConversationIdType extends IdType
{
    protected function kind(): string
    {
        return ConversationId::class;
    }
}

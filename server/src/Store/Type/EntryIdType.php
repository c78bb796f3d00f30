<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Type;

use ZippyTray\Core\Journal\EntryId;

final class EntryIdType extends IdType
{
    protected function kind(): string
    {
        return EntryId::class;
    }
}

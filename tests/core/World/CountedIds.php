<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\Ids;

final class CountedIds implements Ids
{
    private int $count = 0;

    public function next(): string
    {
        return \sprintf('00000000-0000-7000-8000-%012d', ++$this->count);
    }
}

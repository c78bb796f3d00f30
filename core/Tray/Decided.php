<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Journal\Entry;

/**
 * What became of a decision.
 */
final readonly class Decided
{
    /** @param list<Overtaken> $overtaken the conversations that were left as they are */
    public function __construct(public Entry $entry, public array $overtaken = [])
    {
    }
}

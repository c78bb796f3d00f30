<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

use ZippyTray\Core\Id;

/**
 * Which entry of the journal. The client makes it, so that a request that is repeated is recognised.
 */
final readonly class EntryId extends Id
{
}

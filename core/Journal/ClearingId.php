<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

use ZippyTray\Core\Id;

/**
 * Which clearing.
 */
final readonly class ClearingId extends Id
{
}

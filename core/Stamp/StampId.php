<?php

declare(strict_types=1);

namespace ZippyTray\Core\Stamp;

use ZippyTray\Core\Id;

/**
 * Which stamp.
 */
final readonly class StampId extends Id
{
}

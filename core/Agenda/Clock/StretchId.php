<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Clock;

use ZippyTray\Core\Id;

/**
 * Which stretch of work.
 */
final readonly class StretchId extends Id
{
}

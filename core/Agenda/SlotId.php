<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\Id;

/**
 * Which slot.
 */
final readonly class SlotId extends Id
{
}

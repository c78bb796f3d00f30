<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\Id;

/**
 * Which event.
 */
final readonly class EventId extends Id
{
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

/**
 * Whether an event takes place (STATUS, RFC 5545, 3.8.1.11).
 */
enum EventStatus: string
{
    case Confirmed = 'confirmed';
    case Tentative = 'tentative';
    case Cancelled = 'cancelled';
}

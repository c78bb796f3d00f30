<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

/**
 * What somebody has said to an event (PARTSTAT, RFC 5545, 3.2.12).
 */
enum Answer: string
{
    case None = 'needs-action';
    case Accepted = 'accepted';
    case Tentative = 'tentative';
    case Declined = 'declined';
    case Delegated = 'delegated';
}

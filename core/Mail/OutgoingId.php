<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

use ZippyTray\Core\Id;

/**
 * Which message that is being written, or is on its way out.
 */
final readonly class OutgoingId extends Id
{
}

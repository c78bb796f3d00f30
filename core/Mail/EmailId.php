<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

use ZippyTray\Core\Id;

/**
 * Which message, among those that are kept (RFC 8474, 4.2); not the Message-ID that stands in its header, which may occur twice.
 */
final readonly class EmailId extends Id
{
}

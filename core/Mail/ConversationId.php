<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail;

use ZippyTray\Core\Id;

/**
 * Which conversation.
 */
final readonly class ConversationId extends Id
{
}

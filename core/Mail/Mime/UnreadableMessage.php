<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

/**
 * These bytes are no message. The message says why, in a sentence.
 */
final class UnreadableMessage extends \RuntimeException
{
}

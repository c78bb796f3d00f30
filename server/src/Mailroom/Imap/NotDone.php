<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\Imap;

/**
 * The server was reached and would not do it. The message is a sentence for the person.
 */
final class NotDone extends \RuntimeException
{
    /** @param bool $isLasting whether trying again is of no use before somebody has changed something */
    public function __construct(string $sentence, public readonly bool $isLasting = false, ?\Throwable $previous = null)
    {
        parent::__construct($sentence, 0, $previous);
    }
}

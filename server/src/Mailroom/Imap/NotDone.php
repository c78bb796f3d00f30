<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\Imap;

/**
 * The server was reached and would not do it. The message is a sentence for the person.
 */
final class NotDone extends \RuntimeException
{
    /** @param string $advice what the person can do about it, a sentence; empty: nothing but wait */
    public function __construct(string $sentence, public readonly string $advice = '', ?\Throwable $previous = null)
    {
        parent::__construct($sentence, 0, $previous);
    }
}

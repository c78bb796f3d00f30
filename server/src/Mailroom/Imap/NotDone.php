<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\Imap;

/**
 * The server was reached and would not do it. The message is a sentence for the person.
 */
final class NotDone extends \RuntimeException
{
    /** What can be done about a folder that takes nothing. */
    public const OTHER_FOLDER = 'Choose another folder under Change, or leave it as it lies.';

    /** @param string $advice what the person can do about it, a sentence; empty: nothing but wait */
    public function __construct(string $sentence, public readonly string $advice = '', ?\Throwable $previous = null)
    {
        parent::__construct($sentence, 0, $previous);
    }
}

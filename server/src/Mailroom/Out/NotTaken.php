<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\Out;

/**
 * A message was not taken over. The message of this exception is a sentence for the person.
 */
final class NotTaken extends \RuntimeException
{
    /** @param bool $forGood whether trying again is of no use */
    public function __construct(string $sentence, public readonly bool $forGood, ?\Throwable $because = null)
    {
        parent::__construct($sentence, 0, $because);
    }
}

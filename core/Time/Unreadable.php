<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

/**
 * A phrase that says no time, or one that cannot be. The message is a sentence for the person.
 */
final class Unreadable extends \RuntimeException
{
    /** @param int $offset where the fault is, in Unicode code points from the beginning of the phrase */
    public function __construct(string $sentence, public readonly int $offset)
    {
        parent::__construct($sentence);
    }
}

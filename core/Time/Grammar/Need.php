<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Grammar;

/**
 * What a reading needs around it to be taken for a time in prose. Where somebody writes time and nothing else, it needs nothing.
 */
enum Need: int
{
    case Nothing = 0;

    /** A word that leads up to a time ("by next week"), or a certain day beside it. */
    case Lead = 1;

    /** In prose it is no time at all: "3 days", "now", "fri 27". */
    case Field = 2;

    public function and(self $other): self
    {
        return $this->value >= $other->value ? $this : $other;
    }
}

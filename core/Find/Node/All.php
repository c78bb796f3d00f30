<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find\Node;

/**
 * All of them have to hold.
 */
final readonly class All implements Node
{
    /** @param non-empty-list<Node> $of */
    public function __construct(public array $of)
    {
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find\Node;

/**
 * One of them has to hold.
 */
final readonly class Any implements Node
{
    /** @param non-empty-list<Node> $of */
    public function __construct(public array $of)
    {
    }
}

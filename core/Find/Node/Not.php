<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find\Node;

/**
 * It must not hold.
 */
final readonly class Not implements Node
{
    public function __construct(public Node $of)
    {
    }
}

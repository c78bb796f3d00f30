<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find\Node;

/**
 * What is looked for, as a tree.
 */
interface Node
{
}

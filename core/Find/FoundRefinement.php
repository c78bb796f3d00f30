<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find;

use ZippyTray\Core\Find\Node\Refined;

/**
 * A refinement that begins what is read.
 */
final readonly class FoundRefinement
{
    /**
     * @param int          $pieces  so many pieces it takes
     * @param Refined|null $node    null: it cannot be read
     * @param string       $reading what it means, or why it cannot be read
     */
    public function __construct(public int $pieces, public ?Refined $node, public string $reading)
    {
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find\Node;

use ZippyTray\Core\Find\Period;
use ZippyTray\Core\Find\Refinement;

/**
 * Something that is asked of what is found besides its words.
 */
final readonly class Refined implements Node
{
    /**
     * @param string      $value  what the refinement needs: a name, the id of a list or label, a place, a kind, bytes; otherwise empty
     * @param Period|null $period of those that need days
     */
    public function __construct(public Refinement $what, public string $value = '', public ?Period $period = null)
    {
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task\Jot;

use ZippyTray\Core\Task\TaskFields;

/**
 * A jotted line as it was read.
 */
final readonly class Jot
{
    /**
     * @param list<Clause> $clauses in the order in which they stand, the title first
     * @param TaskFields   $fields  what the task will be; clauses that were not read are in its notes
     */
    public function __construct(public array $clauses, public TaskFields $fields)
    {
    }
}

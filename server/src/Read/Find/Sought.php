<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Find;

/**
 * A search as a condition of SQL, with what it needs.
 */
final readonly class Sought
{
    /**
     * @param string                    $match an expression of SQLite's full-text search for the words; empty: there are none
     * @param list<string>              $where conditions besides, all of which have to hold
     * @param array<string, string|int> $with  their parameters
     * @param bool                      $isFew whether a condition finds few by itself, by which they are to be gone through
     */
    public function __construct(public string $match, public array $where, public array $with, public bool $isFew)
    {
    }
}

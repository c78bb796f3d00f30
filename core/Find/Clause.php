<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find;

/**
 * A refinement as it stands in what was typed.
 */
final readonly class Clause
{
    /**
     * @param Refinement|null $what    null: it cannot be read
     * @param int             $from    characters from 0, with the words that lead it and with "not"
     * @param int             $to      behind its last character
     * @param string          $reading what it means, or why it cannot be read
     * @param bool            $not     whether it must not hold
     */
    public function __construct(public ?Refinement $what, public int $from, public int $to, public string $reading, public bool $not)
    {
    }
}

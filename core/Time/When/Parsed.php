<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\When;

/**
 * One way to read the words from some place on.
 *
 * @template-covariant T
 */
final readonly class Parsed
{
    /**
     * @param T    $value
     * @param int  $next     index of the lexeme behind the last one that was read
     * @param bool $isSecond a reading that is common too, but not the one to take
     */
    public function __construct(public mixed $value, public int $next, public bool $isSecond = false)
    {
    }
}

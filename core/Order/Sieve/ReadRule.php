<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order\Sieve;

use ZippyTray\Core\Order\Condition;
use ZippyTray\Core\Stamp\StampStep;

/**
 * A rule of a script that can be a standing order.
 */
final readonly class ReadRule
{
    /**
     * @param list<StampStep> $steps  an answer among them has no template yet
     * @param string          $answer the text of that answer; empty when there is none
     * @param int             $line   on which it begins
     */
    public function __construct(
        public string $name,
        public Condition $condition,
        public array $steps,
        public bool $on,
        public bool $last,
        public string $answer,
        public int $line,
    ) {
    }
}

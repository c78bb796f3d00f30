<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

/**
 * What is learned of one trait.
 */
final readonly class Weight
{
    /**
     * @param float                $matters how much it matters, in units of the logit (see Importance)
     * @param array<string, float> $leans   by AdvisedDecision, how much it leans to it, in units of the logit (see Leanings)
     * @param int                  $seen    from how many lessons
     */
    public function __construct(public float $matters, public array $leans, public int $seen)
    {
    }
}

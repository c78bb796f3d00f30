<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

/**
 * How far one decision moves what is believed of a trait, in units of the logit: far while the trait is new, and never so little
 * that a changed habit would not be followed.
 */
final readonly class LearningStep
{
    private const FIRST = 0.6;
    private const LEAST = 0.12;

    /** With more traits each moves less, so that together they move as far. */
    private const TRAITS = 8;

    /** Weights further from nothing than this add no certainty. */
    private const FURTHEST = 6.0;

    /**
     * @param int $seen   from how many decisions the trait is known
     * @param int $traits that are learned from at once
     */
    public static function of(int $seen, int $traits): float
    {
        return max(self::LEAST, self::FIRST / sqrt(1 + $seen)) / sqrt(max(1, $traits) / self::TRAITS);
    }

    public static function bounded(float $weight): float
    {
        return max(-self::FURTHEST, min(self::FURTHEST, $weight));
    }
}

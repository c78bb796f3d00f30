<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\English;

/**
 * One slip of the finger within a word, the likeliest first.
 */
enum Slip: int
{
    /** wendesday */
    case Swapped = 1;

    /** fridday, tomorow */
    case Doubled = 2;

    /** novemeber, satrday */
    case Missed = 3;

    /** saterday */
    case Wrong = 4;

    /** Which slip makes $written of $meant; null when none does, or more than one had to be made. */
    public static function between(string $written, string $meant): ?self
    {
        $lengths = \strlen($written) - \strlen($meant);
        if (abs($lengths) > 1 || $written === $meant) {
            return null;
        }
        $at = 0;
        while ($at < min(\strlen($written), \strlen($meant)) && $written[$at] === $meant[$at]) {
            ++$at;
        }
        if (0 === $lengths) {
            if (substr($written, $at + 1) === substr($meant, $at + 1)) {
                return self::Wrong;
            }

            return substr($written, $at + 2) === substr($meant, $at + 2) && strrev(substr($written, $at, 2)) === substr($meant, $at, 2)
                ? self::Swapped
                : null;
        }
        [$longer, $shorter] = $lengths > 0 ? [$written, $meant] : [$meant, $written];
        if (substr($longer, $at + 1) !== substr($shorter, $at)) {
            return null;
        }

        return $at > 0 && $longer[$at] === $longer[$at - 1] ? self::Doubled : self::Missed;
    }
}

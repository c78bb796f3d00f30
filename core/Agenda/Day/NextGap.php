<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Day;

/**
 * The next time on a day at which there is room for something.
 */
final readonly class NextGap
{
    /** Seconds; one begins at a quarter of an hour. */
    private const QUARTER = 900;

    /**
     * @param int                   $from    seconds since 1970: the first moment at which it can begin
     * @param int                   $until   the moment at which it has to be done
     * @param list<array{int, int}> $taken   seconds since 1970 from which until which something lies already, in any order
     * @param int                   $seconds that it takes
     *
     * @return int|null seconds since 1970; null: there is none
     */
    public static function of(int $from, int $until, array $taken, int $seconds): ?int
    {
        sort($taken);
        $at = self::quarter($from);
        foreach ($taken as [$begins, $ends]) {
            if ($begins >= $at + $seconds) {
                break;
            }
            if ($ends > $at) {
                $at = self::quarter($ends);
            }
        }

        return $at + $seconds <= $until ? $at : null;
    }

    private static function quarter(int $at): int
    {
        return self::QUARTER * (int) ceil($at / self::QUARTER);
    }
}

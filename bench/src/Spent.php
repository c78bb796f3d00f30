<?php

declare(strict_types=1);

namespace ZippyTray\Bench;

/**
 * Milliseconds of the processor's time.
 */
final class Spent
{
    /** By this process so far. */
    public static function here(): float
    {
        return self::of(0);
    }

    /** By the processes that it began and that have ended. */
    public static function byChildren(): float
    {
        return self::of(1);
    }

    private static function of(int $mode): float
    {
        /** @var array<string, int> $used */
        $used = getrusage($mode) ?: [];

        return 1000 * (($used['ru_utime.tv_sec'] ?? 0) + ($used['ru_stime.tv_sec'] ?? 0))
            + (($used['ru_utime.tv_usec'] ?? 0) + ($used['ru_stime.tv_usec'] ?? 0)) / 1000;
    }
}

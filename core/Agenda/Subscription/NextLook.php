<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Subscription;

/**
 * When somebody else's calendar is read again.
 */
final readonly class NextLook
{
    /** In minutes, when all is well. */
    public const USUAL = 60;

    private const LONGEST = 1440;

    /**
     * @param int $failures how often in a row it could not be read; each doubles the pause
     *
     * @return int minutes
     */
    public static function after(int $failures): int
    {
        return min(self::LONGEST, self::USUAL * 2 ** max(0, min(10, $failures - 1)));
    }
}

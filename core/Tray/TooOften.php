<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

/**
 * A conversation that comes back again and again is pointed out.
 */
enum TooOften: string
{
    case Snoozed = 'snoozed';
    case Touched = 'touched';

    /** From so many times on. */
    private const TIMES = 3;

    /**
     * @param int $snoozes how often it has been put off
     * @param int $touches how often it has been looked at without a decision
     */
    public static function of(int $snoozes, int $touches): ?self
    {
        return match (true) {
            $snoozes >= self::TIMES => self::Snoozed,
            $touches >= self::TIMES => self::Touched,
            default => null,
        };
    }
}

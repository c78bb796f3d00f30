<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

/**
 * How much of the hours should be kept for what comes in, by what came in of late.
 */
final readonly class ShareKeptFree
{
    /** Days of work of which something has to be known. */
    private const ENOUGH = 5;

    /** Per cent; nobody keeps seventeen. */
    private const STEP = 5;

    /**
     * @param int $hours     minutes of work on the days that are looked back on
     * @param int $clearing  minutes of going through the tray on them
     * @param int $unplanned minutes of tasks that came up on them and were done at once
     * @param int $days      on how many of them there was anything of either
     *
     * @return int|null per cent; null: too little is known
     */
    public static function proposed(int $hours, int $clearing, int $unplanned, int $days): ?int
    {
        if ($hours <= 0 || $days < self::ENOUGH) {
            return null;
        }
        $share = 100 * max(0, $clearing + $unplanned) / $hours;

        return min(AgendaSettings::MOST_KEPT_FREE, self::STEP * (int) ceil(round($share, 6) / self::STEP));
    }
}

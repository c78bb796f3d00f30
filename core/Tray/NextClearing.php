<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;

/**
 * Putting off "until I next clear the tray".
 */
final readonly class NextClearing
{
    /** Seconds: a clearing that is begun sooner goes on with the one in which it was put off. */
    public const PAUSE = 1800;

    /** A tray that is not cleared for so many days gets it back anyway. */
    private const DAYS = 7;

    public static function latest(Speaker $speaker): Moment
    {
        return Moment::at($speaker->now->date()->plusDays(self::DAYS), $speaker->settings->at(DayMark::Morning), $speaker->now->zone);
    }
}

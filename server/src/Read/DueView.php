<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read;

use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;

/**
 * A day, and perhaps a time, as the page is given it: with the words that a field shows of it.
 *
 * @phpstan-type DueShown array{date: string, time: string|null, text: string}
 */
final readonly class DueView
{
    /** @return DueShown on the person's clock */
    public static function in(\DateTimeZone $zone, Due $due): array
    {
        $instant = $due->instant();

        return null === $instant ? self::onDay($due->date) : self::at(new Moment($instant, $zone));
    }

    /** @return DueShown as it was said, whatever zone that was in */
    public static function asSaid(Due $due): array
    {
        return ['date' => (string) $due->date, 'time' => $due->time?->__toString(), 'text' => $due->text()];
    }

    /** @return DueShown */
    public static function at(Moment $moment): array
    {
        return ['date' => (string) $moment->date(), 'time' => (string) $moment->time(), 'text' => $moment->text()];
    }

    /** @return DueShown */
    private static function onDay(LocalDate $date): array
    {
        return ['date' => (string) $date, 'time' => null, 'text' => $date->text()];
    }
}

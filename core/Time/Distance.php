<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

/**
 * How far something is from now, in words.
 */
final readonly class Distance
{
    private const HOURS = 12;

    /**
     * "in 3 days", "tomorrow", "in 2 hours", "5 days ago".
     *
     * @param Moment|null $moment null: the whole day is meant
     */
    public static function of(LocalDate $date, ?Moment $moment, Moment $now): string
    {
        $days = $now->date()->daysUntil($date);
        $minutes = null === $moment ? null : intdiv($moment->instant->getTimestamp() - $now->instant->getTimestamp(), 60);
        if (null !== $minutes && abs($minutes) < self::HOURS * 60) {
            return match (true) {
                0 === $minutes => 'now',
                abs($minutes) < 60 => self::words($minutes, abs($minutes), 'minute'),
                default => self::words($minutes, (int) round(abs($minutes) / 60), 'hour'),
            };
        }

        return match (true) {
            0 === $days => 'today',
            1 === $days => 'tomorrow',
            -1 === $days => 'yesterday',
            abs($days) < 14 => self::words($days, abs($days), 'day'),
            abs($days) < 70 => self::words($days, intdiv(abs($days), 7), 'week'),
            abs($days) < 700 => self::words($days, (int) round(abs($days) / 30.4), 'month'),
            default => self::words($days, (int) round(abs($days) / 365.25), 'year'),
        };
    }

    private static function words(int $direction, int $count, string $unit): string
    {
        $words = \sprintf('%d %s%s', $count, $unit, 1 === $count ? '' : 's');

        return $direction < 0 ? $words.' ago' : 'in '.$words;
    }
}

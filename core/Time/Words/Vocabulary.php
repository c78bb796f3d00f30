<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Words;

use ZippyTray\Core\Time\Day\Unit;

/**
 * The English names of months, days, units and small numbers.
 */
final readonly class Vocabulary
{
    private const MONTHS = [
        'january' => 1, 'jan' => 1, 'february' => 2, 'feb' => 2, 'march' => 3, 'mar' => 3, 'april' => 4, 'apr' => 4, 'may' => 5, 'june' => 6, 'jun' => 6,
        'july' => 7, 'jul' => 7, 'august' => 8, 'aug' => 8, 'september' => 9, 'sept' => 9, 'sep' => 9, 'october' => 10, 'oct' => 10,
        'november' => 11, 'nov' => 11, 'december' => 12, 'dec' => 12,
    ];

    private const WEEKDAYS = [
        'monday' => 1, 'mon' => 1, 'tuesday' => 2, 'tue' => 2, 'tues' => 2, 'wednesday' => 3, 'wed' => 3, 'weds' => 3, 'thursday' => 4, 'thu' => 4, 'thur' => 4,
        'thurs' => 4, 'friday' => 5, 'fri' => 5, 'saturday' => 6, 'sat' => 6, 'sunday' => 7, 'sun' => 7,
    ];

    /** Short names that are also words, names or the like, unless written with a capital. */
    private const DOUBTFUL = ['sat', 'sun', 'mon', 'wed', 'weds', 'mar', 'may', 'march', 'jan', 'jun', 'dec'];

    private const COUNTS = [
        'a' => 1, 'an' => 1, 'one' => 1, 'two' => 2, 'three' => 3, 'four' => 4, 'five' => 5, 'six' => 6, 'seven' => 7, 'eight' => 8, 'nine' => 9, 'ten' => 10,
        'eleven' => 11, 'twelve' => 12,
    ];

    private const ORDINALS = ['first' => 1, 'second' => 2, 'third' => 3, 'fourth' => 4, 'fifth' => 5, 'last' => -1];

    public static function month(?Token $token): ?int
    {
        return self::isDoubtful($token) ? null : self::MONTHS[$token->lower ?? ''] ?? null;
    }

    /** @return int|null 1 is Monday (ISO 8601) */
    public static function weekday(?Token $token): ?int
    {
        return self::isDoubtful($token) ? null : self::WEEKDAYS[(string) preg_replace("/'s$/", '', $token->lower ?? '')] ?? null;
    }

    /** A number written in digits or, up to twelve, as a word. */
    public static function count(?Token $token): ?int
    {
        return TokenKind::Number === $token?->kind ? $token->parts[0] : self::COUNTS[$token->lower ?? ''] ?? null;
    }

    public static function unit(?Token $token): ?Unit
    {
        return match (rtrim($token->lower ?? '', "'")) {
            'day', 'days', "day's", 'd' => Unit::Day,
            'week', 'weeks', "week's", 'wk', 'wks', 'w' => Unit::Week,
            'fortnight', 'fortnights' => Unit::Fortnight,
            'month', 'months', "month's" => Unit::Month,
            'year', 'years', "year's" => Unit::Year,
            default => null,
        };
    }

    /** @return int|null -1 for the last */
    public static function nth(?Token $token): ?int
    {
        return TokenKind::Ordinal === $token?->kind ? $token->parts[0] : self::ORDINALS[$token->lower ?? ''] ?? null;
    }

    private static function isDoubtful(?Token $token): bool
    {
        return null !== $token && \in_array($token->lower, self::DOUBTFUL, true) && !$token->isCapital();
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\When;

/**
 * The English names that stand in when phrases.
 */
final readonly class Names
{
    private const MONTHS = ['jan' => 'uary', 'feb' => 'ruary', 'mar' => 'ch', 'apr' => 'il', 'may' => '', 'jun' => 'e', 'jul' => 'y', 'aug' => 'ust', 'sep' => 'tember', 'oct' => 'ober', 'nov' => 'ember', 'dec' => 'ember'];

    private const WEEKDAYS = [
        1 => ['monday', 'mon'],
        2 => ['tuesday', 'tue', 'tues'],
        3 => ['wednesday', 'wed', 'weds'],
        4 => ['thursday', 'thu', 'thur', 'thurs'],
        5 => ['friday', 'fri'],
        6 => ['saturday', 'sat'],
        7 => ['sunday', 'sun'],
    ];

    private const NUMBERS = ['one' => 1, 'two' => 2, 'three' => 3, 'four' => 4, 'five' => 5, 'six' => 6, 'seven' => 7, 'eight' => 8, 'nine' => 9, 'ten' => 10, 'eleven' => 11, 'twelve' => 12];

    private const ORDINALS = ['first' => 1, 'second' => 2, 'third' => 3, 'fourth' => 4, 'fifth' => 5, 'sixth' => 6, 'seventh' => 7, 'eighth' => 8, 'ninth' => 9, 'tenth' => 10, 'eleventh' => 11, 'twelfth' => 12, 'last' => -1];

    /** 1 is January. */
    public static function month(?string $word): ?int
    {
        $number = 0;
        foreach (self::MONTHS as $short => $rest) {
            ++$number;
            if ($word === $short || $word === $short.$rest || ('sep' === $short && 'sept' === $word)) {
                return $number;
            }
        }

        return null;
    }

    /** 1 is Monday (ISO 8601). */
    public static function weekday(?string $word): ?int
    {
        foreach (self::WEEKDAYS as $number => $names) {
            if (\in_array($word, $names, true)) {
                return $number;
            }
        }

        return null;
    }

    /** "mondays": each of them. */
    public static function weekdays(?string $word): ?int
    {
        return null !== $word && str_ends_with($word, 'days') ? self::weekday(substr($word, 0, -1)) : null;
    }

    public static function number(?string $word): ?int
    {
        return self::NUMBERS[$word ?? ''] ?? null;
    }

    /** -1 is the last one. */
    public static function ordinal(?string $word): ?int
    {
        return self::ORDINALS[$word ?? ''] ?? null;
    }
}

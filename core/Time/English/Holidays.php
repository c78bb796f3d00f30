<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\English;

use ZippyTray\Core\Time\Day\Day;
use ZippyTray\Core\Time\Day\DayOfYear;
use ZippyTray\Core\Time\Day\EasterDay;
use ZippyTray\Core\Time\Day\Year;

/**
 * Days of the year that have a name in many countries.
 */
final readonly class Holidays
{
    /** Day and month, or days from Easter Sunday; the longest names first. */
    private const NAMES = [
        "new year's eve" => [31, 12], "new year's day" => [1, 1], 'new years eve' => [31, 12], 'new years day' => [1, 1],
        'new year eve' => [31, 12], 'new year day' => [1, 1], 'new year' => [1, 1],
        'christmas eve' => [24, 12], 'christmas day' => [25, 12], 'christmas' => [25, 12], 'xmas eve' => [24, 12],
        'xmas' => [25, 12], 'boxing day' => [26, 12], 'epiphany' => [6, 1],
        'valentine day' => [14, 2], 'valentines day' => [14, 2], "valentine's day" => [14, 2], 'halloween' => [31, 10],
        'ash wednesday' => -46, 'palm sunday' => -7, 'maundy thursday' => -3, 'good friday' => -2, 'easter saturday' => -1,
        'easter sunday' => 0, 'easter monday' => 1, 'easter' => 0,
        'ascension day' => 39, 'pentecost' => 49, 'whit sunday' => 49, 'whit monday' => 50, 'corpus christi' => 60,
    ];

    /**
     * The names that begin with a word.
     *
     * @return array<string, list<string>> name => its words without possessive endings
     */
    public static function beginningWith(string $word): array
    {
        /** @var array<string, array<string, list<string>>> $byWord */
        static $byWord = [];
        if ([] === $byWord) {
            foreach (array_keys(self::NAMES) as $name) {
                $words = array_map(static fn (string $part): string => (string) preg_replace("/'s$/", '', $part), explode(' ', $name));
                $byWord[$words[0]][$name] = $words;
            }
        }

        return $byWord[$word] ?? [];
    }

    public static function day(string $name, ?Year $year = null): Day
    {
        $when = self::NAMES[$name];

        return \is_int($when) ? new EasterDay($when, $year) : new DayOfYear($when[0], $when[1], $year);
    }

    /** @return array{int, int}|null day and month; null when it is not on the same day of every year */
    public static function dayAndMonth(string $name): ?array
    {
        $when = self::NAMES[$name];

        return \is_array($when) ? $when : null;
    }

    /** Whether the name alone may be about something else: the new year is a long time, and Easter a season. */
    public static function isLoose(string $name): bool
    {
        return \in_array($name, ['christmas', 'xmas', 'easter', 'new year', 'pentecost', 'halloween', 'epiphany'], true);
    }

    /** @return list<string> */
    public static function words(): array
    {
        return array_values(array_unique(explode(' ', implode(' ', array_keys(self::NAMES)))));
    }
}

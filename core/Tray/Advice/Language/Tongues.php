<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice\Language;

/**
 * The languages in which requests are read, and which of them a letter is in.
 */
final readonly class Tongues
{
    /** Characters that are looked at. */
    private const LENGTH = 3000;

    /** Of a language other than English there have to be so many frequent words, and so much more of them than of any other. */
    private const LEAST = 3;
    private const MORE = 1.3;

    /** @return list<Tongue> */
    public static function all(): array
    {
        /** @var list<Tongue> $all */
        static $all = [];

        return [] === $all ? $all = [new English(), new German(), new French(), new Spanish(), new Italian(), new Portuguese(), new Dutch()] : $all;
    }

    /** @return Tongue English when nothing tells otherwise */
    public static function of(string $text): Tongue
    {
        preg_match_all('/[\p{L}\']+/u', mb_strtolower(str_replace('’', "'", mb_substr($text, 0, self::LENGTH))), $found);
        $words = array_count_values($found[0]);
        $hits = [];
        foreach (self::all() as $number => $tongue) {
            $hits[$number] = array_sum(array_intersect_key($words, array_fill_keys($tongue->words(), true))) + min(2, preg_match_all($tongue->letters(), implode(' ', $found[0])));
        }
        arsort($hits);
        [$best, $second] = array_keys($hits);

        return $hits[$best] >= self::LEAST && $hits[$best] > self::MORE * max(1, $hits[$second]) ? self::all()[$best] : self::all()[0];
    }
}

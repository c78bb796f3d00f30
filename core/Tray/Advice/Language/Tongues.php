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
    private const MORE = 1.15;

    /** In a line or two so large a share of the words is enough. */
    private const SHARE = 0.2;

    /** @return list<Tongue> */
    public static function all(): array
    {
        /** @var list<Tongue> $all */
        static $all = [];

        return [] === $all
            ? $all = [new English(), new German(), new French(), new Spanish(), new Italian(), new Portuguese(), new Dutch()]
            : $all;
    }

    /** @return list<string> words by which the language is told: the frequent ones, and those of time */
    private static function told(Tongue $tongue): array
    {
        /** @var array<string, list<string>> $told */
        static $told = [];

        return $told[$tongue->name()] ??= array_values(array_unique([
            ...$tongue->words(),
            ...array_map(strval(...), array_keys($tongue->english())),
        ]));
    }

    /** @return array<string, float> frequent words and what each weighs: the less, the more languages have it */
    private static function weights(): array
    {
        /** @var array<string, float> $weights */
        static $weights = [];

        return [] === $weights ? $weights = array_map(
            static fn (int $languages): float => 1 / $languages,
            array_count_values(array_merge(...array_map(self::told(...), self::all()))),
        ) : $weights;
    }

    /** @return Tongue English when nothing tells otherwise */
    public static function of(string $text): Tongue
    {
        preg_match_all('/[\p{L}\']+/u', mb_strtolower(str_replace('’', "'", mb_substr($text, 0, self::LENGTH))), $found);
        $words = array_count_values($found[0]);
        [$hits, $counts] = [[], []];
        foreach (self::all() as $number => $tongue) {
            $own = array_filter(self::told($tongue), static fn (string $word): bool => isset($words[$word]));
            $letters = min(2, preg_match_all($tongue->letters(), implode(' ', $found[0])));
            $hits[$number] = $letters + array_sum(array_map(
                static fn (string $word): float => $words[$word] * self::weights()[$word],
                $own,
            ));
            $counts[$number] = $letters + array_sum(array_map(static fn (string $word): int => $words[$word], $own));
        }
        arsort($hits);
        [$best, $second] = array_keys($hits);
        $isEnough = $counts[$best] >= self::LEAST || $counts[$best] >= max(1, self::SHARE * \count($found[0]));

        return $isEnough && $hits[$best] > self::MORE * $hits[$second] ? self::all()[$best] : self::all()[0];
    }
}

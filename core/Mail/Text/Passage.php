<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Text;

/**
 * The place of a text at which words that are sought stand, as the beginnings of its words, whatever their case and
 * accents.
 */
final class Passage
{
    /** Before and behind each word that was found */
    public const FROM = "\u{2}";
    public const TO = "\u{3}";

    /** Bytes of a text in which words are looked for */
    private const LONGEST = 400_000;

    /** Characters before the first word that was found, and in all; whole words are shown */
    private const BEFORE = 45;
    private const WIDTH = 150;

    /**
     * @param list<string> $words of letters and digits
     *
     * @return string on one line, cut with "…", each word that was found between FROM and TO; empty when there is none
     */
    public static function in(string $text, array $words): string
    {
        $text = self::normal(mb_scrub(mb_strcut($text, 0, self::LONGEST)), \Normalizer::FORM_D);
        $sought = self::pattern($words);
        if ('' === $sought || 1 !== preg_match($sought, $text, $m, \PREG_OFFSET_CAPTURE)) {
            return '';
        }
        $start = self::startOfWord($text, $m[0][1]);
        $rest = mb_strcut($text, $start, 8 * self::WIDTH);
        $isWhole = \strlen($rest) === \strlen($text) - $start;
        $line = trim((string) preg_replace('/[\s\x00-\x1f]+/u', ' ', $rest));
        $shown = mb_substr($line, 0, self::WIDTH);
        if (\strlen($shown) < \strlen($line)) {
            $shown = (string) preg_replace('/ \S*$/u', '', $shown);
            $isWhole = false;
        }
        $marked = (string) preg_replace($sought, self::FROM.'$0'.self::TO, $shown);

        return ($start > 0 ? '…' : '').self::normal($marked, \Normalizer::FORM_C).($isWhole ? '' : '…');
    }

    /** @param list<string> $words */
    private static function pattern(array $words): string
    {
        $ways = [];
        foreach ($words as $word) {
            $letters = preg_replace('/\p{M}+/u', '', self::normal(mb_scrub($word), \Normalizer::FORM_D));
            $ways[] = implode(
                '\p{M}*',
                array_map(static fn (string $letter): string => preg_quote($letter, '/'), mb_str_split((string) $letters)),
            );
        }
        $ways = array_filter($ways, static fn (string $way): bool => '' !== $way);

        // What is written without blanks is found inside, and alone.
        $inside = array_filter($ways, InnerWords::isIn(...));
        $ways = array_diff_key($ways, $inside);
        $found = [
            ...([] === $ways ? [] : ['(?<![\p{L}\p{N}\p{M}])(?:'.implode('|', $ways).')[\p{L}\p{N}\p{M}]*+']),
            ...$inside,
        ];

        return [] === $found ? '' : '/'.implode('|', $found).'/iu';
    }

    /** Some characters before a place, where a word begins. */
    private static function startOfWord(string $text, int $at): int
    {
        $before = mb_substr(mb_strcut($text, max(0, $at - 6 * self::BEFORE), min($at, 6 * self::BEFORE)), -self::BEFORE);
        if (\strlen($before) === $at) {
            return 0;
        }
        $cut = preg_match('/\s\S/u', $before, $m, \PREG_OFFSET_CAPTURE) ? (int) $m[0][1] + 1 : \strlen($before);

        return $at - \strlen($before) + $cut;
    }

    private static function normal(string $text, int $form): string
    {
        $normal = \Normalizer::normalize($text, $form);

        return \is_string($normal) ? $normal : $text;
    }
}

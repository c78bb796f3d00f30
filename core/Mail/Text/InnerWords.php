<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Text;

/**
 * What has no blanks between its words (Chinese, Japanese, Korean) is found inside of them: it is kept a second time as the pairs of its
 * letters that follow each other, which an index of words finds as a phrase.
 */
final class InnerWords
{
    private const LETTER = '\p{Han}\p{Hiragana}\p{Katakana}\p{Hangul}々〆ー';

    /** Letters of one text that are kept so. */
    private const MOST = 50_000;

    private function __construct()
    {
    }

    /** @return string pairs and last letters, with blanks between them; empty when there is nothing of the kind */
    public static function of(string ...$texts): string
    {
        $pairs = [];
        $left = self::MOST;
        foreach ($texts as $text) {
            preg_match_all('/['.self::LETTER.']+/u', mb_scrub($text), $found);
            foreach ($found[0] as $run) {
                $letters = \array_slice(mb_str_split(self::normal($run)), 0, max(0, $left));
                $left -= \count($letters);
                foreach ($letters as $at => $letter) {
                    $pairs[] = $letter.($letters[$at + 1] ?? '');
                }
            }
        }

        return implode(' ', $pairs);
    }

    /** Whether some of it is written without blanks. */
    public static function isIn(string $text): bool
    {
        return 1 === preg_match('/['.self::LETTER.']/u', mb_scrub($text));
    }

    /**
     * @return list<string> what is to be sought among the pairs for a word: phrases, of which all have to be there; and the rest of the
     *                      word, which is sought as any other
     */
    public static function sought(string $word): array
    {
        preg_match_all('/['.self::LETTER.']+|[^'.self::LETTER.']+/u', mb_scrub($word), $found);
        $sought = [];
        foreach ($found[0] as $part) {
            if (!self::isIn($part)) {
                $sought[] = '"'.str_replace('"', '', $part).'" *';
                continue;
            }
            $letters = mb_str_split(self::normal($part));
            $pairs = [];
            foreach (\array_slice($letters, 0, -1) as $at => $letter) {
                $pairs[] = $letter.($letters[$at + 1] ?? '');
            }
            $sought[] = [] === $pairs ? 'inside : "'.$letters[0].'" *' : 'inside : "'.implode(' ', $pairs).'"';
        }

        return $sought;
    }

    /** Half-width letters and the like are the same as others (Unicode NFKC). */
    private static function normal(string $text): string
    {
        $normal = \Normalizer::normalize($text, \Normalizer::FORM_KC);

        return \is_string($normal) ? $normal : $text;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Remark;

/**
 * Letters that are not what they look like, and marks that turn or hide others (Unicode Technical Report 36).
 */
final readonly class Characters
{
    /**
     * Embeddings, overrides and isolates of direction, and characters that show nothing. Joiners and the marks of
     * Hebrew and Arabic stay.
     */
    private const TURNING = '/[\x{202A}-\x{202E}\x{2066}-\x{2069}\x{200B}\x{2060}-\x{2064}\x{206A}-\x{206F}\x{FEFF}\x{00AD}\x{180E}'
        .'\x{E0000}-\x{E007F}]/u';

    /** Scripts with letters like those of Latin. */
    private const ALIKE = ['Latin', 'Cyrillic', 'Greek', 'Armenian', 'Cherokee', 'Lisu', 'Coptic'];

    /** Cyrillic and Greek letters that most fonts show as Latin ones. */
    private const LIKE_LATIN = 'аеорсухіїјѕһԁԛԝӏьѵɡαοικνρτυχ';

    public static function turn(string $text): bool
    {
        return 1 === preg_match('/[\x{202A}-\x{202E}\x{2066}-\x{2069}]/u', $text);
    }

    /** The text without the marks that turn or hide others. */
    public static function plain(string $text): string
    {
        return preg_replace(self::TURNING, '', $text) ?? $text;
    }

    /** Whether one word has letters of several scripts that look alike. */
    public static function areMixed(string $text): bool
    {
        preg_match_all('/[\p{L}\p{M}]+/u', mb_substr($text, 0, 1000), $words);
        foreach ($words[0] as $word) {
            $scripts = array_filter(self::ALIKE, static fn (string $script): bool => 1 === preg_match('/\p{'.$script.'}/u', $word));
            if (\count($scripts) > 1) {
                return true;
            }
        }

        return false;
    }

    /** Whether a word of another script consists of nothing but letters that look like Latin ones. */
    public static function lookLatin(string $word): bool
    {
        return 1 === preg_match('/^(?=.*[^\x00-\x7f])(?:['.self::LIKE_LATIN.']|[0-9-])+$/u', mb_strtolower($word));
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find;

/**
 * A word, a phrase in quotes or a bracket, and where it stands.
 */
final readonly class Piece
{
    /**
     * @param int $from characters from 0
     * @param int $to   behind its last character, quotes included
     */
    private function __construct(public string $text, public bool $quoted, public int $from, public int $to)
    {
    }

    /** @return list<self> */
    public static function each(string $typed): array
    {
        preg_match_all(
            '/["“”„](?<quoted>[^"“”„]*)(?:["“”„]|$)|(?<mark>[()])|(?<word>[^\s()"“”„]+)/u',
            $typed,
            $found,
            \PREG_SET_ORDER | \PREG_OFFSET_CAPTURE,
        );
        $pieces = [];
        foreach ($found as $one) {
            $from = mb_strlen(substr($typed, 0, $one[0][1]));
            $text = $one['word'][0] ?? '';
            $text = '' === $text ? ($one['mark'][0] ?? '') : $text;
            $quoted = '' === $text;
            $pieces[] = new self($quoted ? trim($one['quoted'][0] ?? '') : $text, $quoted, $from, $from + mb_strlen($one[0][0]));
        }

        return $pieces;
    }

    /** Whether it is that word, unquoted. */
    public function is(string $word): bool
    {
        return !$this->quoted && mb_strtolower($this->text) === $word;
    }

    public function isMark(string $mark): bool
    {
        return !$this->quoted && $this->text === $mark;
    }
}

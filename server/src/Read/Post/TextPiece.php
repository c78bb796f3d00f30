<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Post;

/**
 * A piece of a long text, from the end of a line to the end of a later one where there are any.
 */
final readonly class TextPiece
{
    public const LINES = 2000;

    public const CHARACTERS = 100_000;

    /** @param int|null $next the first character of what follows, counted in characters from 0; null at the end */
    private function __construct(public string $text, public ?int $next)
    {
    }

    /** @param int $from first character */
    public static function of(string $text, int $from = 0): self
    {
        $text = mb_check_encoding($text, 'UTF-8') ? $text : mb_scrub($text);
        $piece = mb_substr($text, $from, self::CHARACTERS);
        $isCut = \strlen($text) > 4 * ($from + self::CHARACTERS) || mb_strlen($text) > $from + self::CHARACTERS;
        $end = 0;
        for ($line = 0; $line < self::LINES && false !== $end; ++$line) {
            $end = strpos($piece, "\n", $end);
            $end = false === $end ? false : $end + 1;
        }
        if (false !== $end && $end < \strlen($piece)) {
            [$piece, $isCut] = [substr($piece, 0, $end), true];
        } elseif ($isCut && false !== $last = strrpos($piece, "\n")) {
            $piece = substr($piece, 0, $last + 1);
        }

        return new self($piece, $isCut ? $from + mb_strlen($piece) : null);
    }
}

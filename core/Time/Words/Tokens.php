<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Words;

/**
 * A text cut into tokens. Line ends within a paragraph are only white space.
 */
final class Tokens
{
    /** Looks at words that one text is worth; behind them there is nothing more to be seen in it. */
    private const LOOKS = 300_000;

    private int $looks = 0;

    private const PATTERN = '/
        (?<iso>\b\d{4}(?:-\d{2}-|\/\d{2}\/)\d{2}\b)
        | (?<triple>(?<![\w.\/-])\d{1,2}(?<sep>[.\/-])\d{1,2}\k<sep>(?:\d{4}|\d{2})(?![\w\/-]|\.\d))
        | (?<clock>(?<![\w:.,\/])(?:
              \d{1,2}[:.]\d{2}\s?[ap]\.?m\b\.?
            | \d{1,2}\s?[ap]\.?m\b\.?
            | \d{1,2}:\d{2}(?::\d{2})?(?:\s?h(?:rs)?\b)?(?![\d:])
            | \d{1,2}h(?:[0-5]\d)?\b
            | (?:[01]\d|2[0-4])[0-5]\d\s?(?:h|hrs|hours)\b
          ))
        | (?<pair>(?<![\w.\/:,-])\d{1,2}[.\/]\d{1,2}(?![\w\/%]|[.,]\d))
        | (?<ordinal>\b\d{1,2}(?:st|nd|rd|th)\b)
        | (?<number>(?<![\w.,\/:])\d{1,6}(?![\w]|[.,:\/]\d))
        | (?<word>\p{L}[\p{L}\p{M}]*(?:[\x27’]\p{L}+)*)
        | (?<gap>\n[ \t]*\n\s*)
        | (?<mark>[^\s])
        /xiu';

    /** @param list<Token> $all */
    private function __construct(public readonly array $all)
    {
    }

    public static function of(string $text): self
    {
        preg_match_all(self::PATTERN, $text, $matches, \PREG_SET_ORDER | \PREG_OFFSET_CAPTURE | \PREG_UNMATCHED_AS_NULL);
        $tokens = [];
        [$bytes, $characters] = [0, 0];
        foreach ($matches as $match) {
            [$written, $offset] = [(string) $match[0][0], (int) $match[0][1]];
            $characters += mb_strlen(substr($text, $bytes, $offset - $bytes));
            $bytes = $offset;
            $groups = array_filter($match, static fn (array $group): bool => null !== $group[0]);
            $tokens[] = self::token($groups, $written, $characters);
        }

        return new self($tokens);
    }

    public function at(int $index): ?Token
    {
        return ++$this->looks > self::LOOKS ? null : $this->all[$index] ?? null;
    }

    /** Whether the words stand there, one after the other; marks count as words. */
    public function read(int $index, string ...$words): bool
    {
        foreach (array_values($words) as $number => $word) {
            $token = $this->at($index + $number);
            if (null === $token || ($token->lower !== $word && !str_contains('|'.$word.'|', '|'.$token->lower.'|'))) {
                return false;
            }
        }

        return true;
    }

    /** @param array<mixed> $groups those of the pattern that matched */
    private static function token(array $groups, string $text, int $from): Token
    {
        $kind = match (true) {
            isset($groups['iso']) => TokenKind::Iso,
            isset($groups['triple']) => TokenKind::Triple,
            isset($groups['clock']) => TokenKind::Clock,
            isset($groups['pair']) => TokenKind::Pair,
            isset($groups['ordinal']) => TokenKind::Ordinal,
            isset($groups['number']) => TokenKind::Number,
            isset($groups['word']) => TokenKind::Word,
            isset($groups['gap']) => TokenKind::Gap,
            default => TokenKind::Mark,
        };
        preg_match_all('/\d+/', $text, $numbers);

        return new Token($kind, $text, str_replace('’', "'", mb_strtolower($text)), $from, $from + mb_strlen($text), array_map(intval(...), $numbers[0]));
    }
}

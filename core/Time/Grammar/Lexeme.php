<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Grammar;

/**
 * The smallest piece of written time: a run of digits, a word, a mark.
 */
final readonly class Lexeme
{
    /**
     * @param string       $text    as it is written
     * @param string       $lower   in lower case, without a possessive ending; the word that was meant, when there was a slip in it
     * @param int          $from    first character, in Unicode code points from 0
     * @param int          $to      the character behind the last one
     * @param int|null     $number  what the digits say; null for words and marks, and for numbers that nothing needs
     * @param bool         $glued   nothing stands between it and the one before
     * @param list<string> $fillers words and marks before it that do not matter by themselves
     */
    public function __construct(
        public LexemeKind $kind,
        public string $text,
        public string $lower,
        public int $from,
        public int $to,
        public ?int $number,
        public bool $glued,
        public array $fillers,
    ) {
    }

    public function isCapital(): bool
    {
        return 1 === preg_match('/^\p{Lu}/u', $this->text);
    }
}

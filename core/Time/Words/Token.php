<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Words;

/**
 * A piece of text: a word, a number, a mark.
 */
final readonly class Token
{
    /**
     * @param string    $text  as it is written
     * @param string    $lower in lower case, abbreviations without their full stop
     * @param int       $from  first character, counted in Unicode code points from 0
     * @param int       $to    the character behind the last one
     * @param list<int> $parts the numbers in it
     */
    public function __construct(
        public TokenKind $kind,
        public string $text,
        public string $lower,
        public int $from,
        public int $to,
        public array $parts = [],
    ) {
    }

    public function is(string ...$words): bool
    {
        return \in_array($this->lower, $words, true);
    }

    public function isCapital(): bool
    {
        return 1 === preg_match('/^\p{Lu}/u', $this->text);
    }
}

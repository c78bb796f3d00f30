<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

/**
 * A sentence that the sender wrote now.
 */
final readonly class Sentence
{
    /** As $text, character by character, in lower case and with straight quotes and apostrophes. */
    public string $lower;

    /**
     * @param string      $text      as written, line ends as blanks, without the greeting before it
     * @param int         $from      its first character in the message's text, counted in Unicode code points from 0
     * @param string|null $addressee the name that it turns to ("Petra, could you …"), when there is one
     * @param bool        $isItem    it is the beginning of an item of a list
     * @param int         $block     number of the paragraph, line of its own or item that it stands in
     */
    public function __construct(
        public string $text,
        public int $from,
        public ?string $addressee = null,
        public bool $isItem = false,
        public int $block = 0,
    ) {
        $straight = str_replace(['’', '‘', '“', '”', '„', '«', '»'], ["'", "'", '"', '"', '"', '"', '"'], $text);
        $lower = mb_strtolower($straight);
        $this->lower = mb_strlen($lower) === mb_strlen($text) ? $lower : strtolower($straight);
    }

    /** The character behind its last one. */
    public function to(): int
    {
        return $this->from + mb_strlen($this->text);
    }

    public function isQuestion(): bool
    {
        return 1 === preg_match('/\?["\')\s!?.]*$/', $this->lower);
    }
}

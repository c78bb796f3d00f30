<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task\Jot;

/**
 * A clause of a jotted line, and how it was read.
 */
final readonly class Clause
{
    /**
     * @param string       $text    as it is written
     * @param int          $from    first character in the line, in Unicode code points from 0
     * @param int          $to      the character behind the last one
     * @param string       $reading what it was read as; of one that was not read, why
     * @param list<string> $others  readings that are common too
     * @param string       $odd     what is odd about it, in a sentence; may be empty
     */
    public function __construct(
        public ClauseKind $kind,
        public string $text,
        public int $from,
        public int $to,
        public string $reading,
        public array $others = [],
        public string $odd = '',
    ) {
    }

    public function odd(string $odd): self
    {
        return '' === $odd
            ? $this
            : new self($this->kind, $this->text, $this->from, $this->to, $this->reading, $this->others, trim($this->odd.' '.$odd));
    }

    public function readAs(string $reading): self
    {
        return new self($this->kind, $this->text, $this->from, $this->to, $reading, $this->others, $this->odd);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;

/**
 * A date in a message, in the zone that the message was written in.
 */
final readonly class FoundDate
{
    /**
     * @param string $text as it is written, with the words that say what it is ("by Friday"), on one line
     * @param int    $from its first character in the message's text, counted in Unicode code points from 0
     * @param int    $to   the character behind the last one
     */
    public function __construct(
        public DateKind $kind,
        public LocalDate $date,
        public ?TimeOfDay $time,
        public string $text,
        public int $from,
        public int $to,
    ) {
    }

    public function as(DateKind $kind): self
    {
        return new self($kind, $this->date, $this->time, $this->text, $this->from, $this->to);
    }
}

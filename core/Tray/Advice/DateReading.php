<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

/**
 * What the words around a date say of it.
 */
final readonly class DateReading
{
    /**
     * @param DateKind|null $kind   null when it is no date at all
     * @param bool          $isPast the talk is of what was
     * @param int           $from   first character within the sentence, with the words that say what it is
     * @param int           $to     the character behind the last one
     */
    public function __construct(public ?DateKind $kind, public bool $isPast, public int $from, public int $to)
    {
    }
}

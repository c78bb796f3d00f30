<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

/**
 * An event as a letter speaks of it.
 */
final readonly class LetterEvent
{
    /**
     * @param EventTime             $time  in the person's own zone
     * @param string                $place empty when it does not say
     * @param list<array{int, int}> $marks where it says so, in order: the first character in its text, counted in Unicode code points from
     *                                     0, and the one behind the last
     */
    public function __construct(public EventTime $time, public string $place, public array $marks)
    {
    }
}

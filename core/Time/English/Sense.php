<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\English;

/**
 * What a word can stand for in written time. One word may have several senses: "second", "quarter".
 */
enum Sense
{
    /** 1 is January. */
    case Month;

    /** 1 is Monday (ISO 8601). */
    case Weekday;

    /** "mondays": each of them. */
    case Weekdays;

    /** One to nineteen. */
    case Number;

    /** Twenty to ninety. */
    case Tens;

    /** First to twelfth; -1 is the last. */
    case Ordinal;

    /** Name of a Day\Unit, or "hour", "minute". */
    case Unit;

    /** Value of a DayMark: a part of the day, which goes with a clock ("evening at 7"). */
    case Part;

    /** Value of a DayMark that needs no day beside it and stands by itself. */
    case Mark;

    /** Days from today. */
    case Near;

    /** Minutes within an hour: "half past". */
    case Minutes;

    /** Value of an Edge: where within a stretch of time. */
    case Edge;

    /** The Edge and the Day\Unit of "eow". */
    case ShortEdge;

    /** Quarter of the year. */
    case Quarter;

    /** What makes a repeat by itself: the frequency (RFC 5545) and the interval. */
    case Often;

    /** A key of Zones::NAMES. */
    case Zone;
}

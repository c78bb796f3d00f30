<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Words;

/**
 * What a piece of written time looks like.
 */
enum TokenKind
{
    case Word;

    /** 12 */
    case Number;

    /** 12th */
    case Ordinal;

    /** 15:30, 3pm, 15h, 3.30pm */
    case Clock;

    /** 27/11, 27.11., 15.30: a date or a time, as the words around it say */
    case Pair;

    /** 27/11/2026 */
    case Triple;

    /** 2026-11-27 (RFC 3339) */
    case Iso;

    case Mark;

    /** An empty line. */
    case Gap;
}

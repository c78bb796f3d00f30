<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find;

/**
 * What can be found.
 */
enum Sort: string
{
    case Mail = 'mail';
    case Task = 'task';
    /** A thing to look up. */
    case Reference = 'reference';
    /** The note of a list. */
    case Note = 'note';
    case Event = 'event';
    case Person = 'person';
    /** An entry of the journal. */
    case Entry = 'entry';
}

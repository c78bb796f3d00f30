<?php

declare(strict_types=1);

namespace ZippyTray\Core\Owed;

enum OwedState: string
{
    case Open = 'open';
    case Answered = 'answered';
    /** The message with which it was asked for did not arrive. */
    case Undelivered = 'undelivered';
    /** No longer expected. */
    case Dropped = 'dropped';
}

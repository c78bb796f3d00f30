<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task\Jot;

/**
 * What a clause of a jotted line says.
 */
enum ClauseKind: string
{
    case Title = 'title';
    case Due = 'due';
    case Start = 'start';
    case Repeat = 'repeat';
    case Reminder = 'reminder';
    case List = 'list';
    case Labels = 'labels';
    case Priority = 'priority';
    case Estimate = 'estimate';
    case Note = 'note';
    case Web = 'web';
    case When = 'when';
    case Place = 'place';
    case People = 'people';
    case Unread = 'unread';
}

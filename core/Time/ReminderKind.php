<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

/**
 * How a reminder is meant.
 */
enum ReminderKind: string
{
    /** So long before something. */
    case Lead = 'lead';
    case Moment = 'moment';
    /** Again and again. */
    case Repeat = 'repeat';

    /** Whether there is a moment that it could be moved from. */
    public function hasOneMoment(): bool
    {
        return self::Repeat !== $this;
    }
}

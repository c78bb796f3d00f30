<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

/**
 * What a date in a message is about.
 */
enum DateKind: string
{
    /** Until then something is to be done. */
    case Deadline = 'deadline';

    /** Then something takes place. */
    case Appointment = 'appointment';

    /** It is only spoken of, or was past when the message was written. */
    case Mention = 'mention';
}

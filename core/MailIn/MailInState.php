<?php

declare(strict_types=1);

namespace ZippyTray\Core\MailIn;

/**
 * What became of a letter to a mail-in address.
 */
enum MailInState: string
{
    case Wanted = 'wanted';
    case Done = 'done';
    /** Nothing was made: it lies in the tray. */
    case Refused = 'refused';
}

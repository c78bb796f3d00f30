<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Mail\Message;

/**
 * What has brought a conversation back.
 */
enum BackBecause: string
{
    case Time = 'time';
    case Message = 'message';
    /** Who owed an answer has given it. */
    case Answer = 'answer';
    /** What was sent to them did not arrive. */
    case Undelivered = 'undelivered';
    case Clearing = 'clearing';

    /** Whether it is news, also to somebody who has it back already. */
    public function isNews(): bool
    {
        return \in_array($this, [self::Message, self::Answer, self::Undelivered], true);
    }
}

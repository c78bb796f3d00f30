<?php

declare(strict_types=1);

namespace ZippyTray\Core\Post;

enum OutgoingState: string
{
    case Draft = 'draft';
    /** Goes out at its moment. */
    case Waiting = 'waiting';
    /** Being handed over at this moment. */
    case Sending = 'sending';
    case Sent = 'sent';
    /** Given up; the reason is kept. */
    case Failed = 'failed';
    /** It was handed over, and no answer came: it may have gone out, or not. */
    case Doubt = 'doubt';

    /** Whether the person has to do something about it. */
    public function isTrouble(): bool
    {
        return self::Failed === $this || self::Doubt === $this;
    }
}

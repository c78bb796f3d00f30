<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

/**
 * What somebody has shown of how much a conversation matters to them, by what they did with it.
 */
enum Shown: string
{
    /** They wrote back, within a day. */
    case Answered = 'answered';

    /** They did what it asked, made a task of it, handed it over, or answered later. */
    case Acted = 'acted';

    /** They want to see it again. */
    case PutOff = 'put_off';

    /** They had a look, and it is archived. */
    case Read = 'read';

    /** It is archived without a look. */
    case Unread = 'unread';

    /** It is deleted, muted, or its sender blocked. */
    case Dropped = 'dropped';

    /** From 0, it does not matter at all, to 1. */
    public function matters(): float
    {
        return match ($this) {
            self::Answered, self::Acted => 1.0,
            self::PutOff => 0.8,
            self::Read => 0.3,
            self::Unread => 0.1,
            self::Dropped => 0.0,
        };
    }
}

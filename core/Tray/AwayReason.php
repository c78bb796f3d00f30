<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

/**
 * Why a conversation is away. Whatever the reason, it carries a moment at which it comes back at the latest.
 */
enum AwayReason: string
{
    /** Until that moment. */
    case Snooze = 'snooze';

    /** Until a message comes in. */
    case Answer = 'answer';

    /** Until the person goes through the tray the next time. */
    case NextClearing = 'next_clearing';

    /** Somebody owes an answer. */
    case HandOver = 'hand_over';

    /** Nobody has seen it yet: it arrived between two hours at which mail comes in, see Sessions. */
    case Held = 'held';
}

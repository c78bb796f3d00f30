<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

/**
 * Why a conversation is away.
 */
enum AwayReason: string
{
    case Snooze = 'snooze';

    /** Somebody owes an answer. */
    case HandOver = 'hand_over';
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

/**
 * A decision that is proposed.
 */
enum AdvisedDecision: string
{
    case Now = 'now';
    case Task = 'task';
    case Snooze = 'snooze';
    case Delegate = 'delegate';
    case Archive = 'archive';
    case Delete = 'delete';
    case Block = 'block';

    /** Whether nothing is left to do about the mail itself; otherwise it comes back. */
    public function dealsWith(): bool
    {
        return self::Snooze !== $this && self::Delegate !== $this;
    }
}

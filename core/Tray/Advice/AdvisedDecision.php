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
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Tray;

/**
 * What can be decided about conversations, by the names of the contract.
 */
enum DecisionKind: string
{
    case DoNow = 'do_now';
    case Snooze = 'snooze';
    case HandOver = 'hand_over';
    case Archive = 'archive';
    case Delete = 'delete';
    case Block = 'block';
    case Mute = 'mute';
    case ArchiveRest = 'archive_rest';
    case BringBack = 'bring_back';
    case PutBack = 'put_back';
    case MoveReturn = 'move_return';
}

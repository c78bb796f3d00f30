<?php

declare(strict_types=1);

namespace ZippyTray\Core\Stamp;

/**
 * What one step of a stamp does.
 */
enum StepKind: string
{
    case Label = 'label';
    case Unlabel = 'unlabel';
    /** Into a list of the person's. */
    case PutIntoList = 'list';
    case Read = 'read';
    case Answer = 'answer';
    case Task = 'task';
    case Snooze = 'snooze';
    case HandOver = 'hand_over';
    case DoNow = 'do_now';
    case Archive = 'archive';
    case Delete = 'delete';
    case Block = 'block';
    case Mute = 'mute';

    /** Whether it is a decision about the conversation. */
    public function decides(): bool
    {
        return !\in_array($this, [self::Label, self::Unlabel, self::PutIntoList, self::Read, self::Answer], true);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryKind;

/**
 * What somebody has shown of how much a conversation matters to them, by what they did with it.
 */
enum Shown: string
{
    /** Seconds within which an answer shows that it matters. */
    private const SOON = 86_400;

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

    /**
     * @param Entry              $entry     of a kind that decides
     * @param \DateTimeImmutable $arrivedAt when the message came that it is about
     * @param bool               $unread    whether it had not been looked at
     */
    public static function by(Entry $entry, \DateTimeImmutable $arrivedAt, bool $unread): self
    {
        return match ($entry->kind) {
            EntryKind::Send, EntryKind::SendLater => $entry->at->getTimestamp() - $arrivedAt->getTimestamp() <= self::SOON
                ? self::Answered
                : self::Acted,
            EntryKind::DoNow, EntryKind::MakeTask, EntryKind::HandOver => self::Acted,
            EntryKind::Snooze => self::PutOff,
            EntryKind::Delete, EntryKind::Mute, EntryKind::Block => self::Dropped,
            default => $unread ? self::Unread : self::Read,
        };
    }
}

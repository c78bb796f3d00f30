<?php

declare(strict_types=1);

namespace ZippyTray\Core\InStep;

/**
 * What a folder of a mailbox stands for.
 */
enum FolderRole: string
{
    case Inbox = 'inbox';
    case Archive = 'archive';
    /** What is out of the inbox until a day. */
    case Away = 'away';
    case Bin = 'bin';
    case Spam = 'spam';
    case Sent = 'sent';
    case Drafts = 'drafts';
    /** A folder of the person's own. */
    case Other = 'other';
    /** In none that is known: it was removed there for good. */
    case Gone = 'gone';

    /** Whether what lies there was received, and follows its conversation. What was sent stays where it is. */
    public function follows(): bool
    {
        return self::Sent !== $this && self::Drafts !== $this;
    }

    /** Whether it is kept there, out of the inbox, for good. */
    public function isKept(): bool
    {
        return self::Archive === $this || self::Other === $this;
    }

    /** Where a conversation goes whose mail was put there by another program. */
    public function decides(): self
    {
        return match ($this) {
            self::Inbox => self::Inbox,
            self::Away => self::Away,
            self::Bin, self::Gone, self::Spam => self::Bin,
            self::Archive, self::Other, self::Sent, self::Drafts => self::Archive,
        };
    }
}

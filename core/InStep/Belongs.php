<?php

declare(strict_types=1);

namespace ZippyTray\Core\InStep;

use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Place;

/**
 * In which folder of the server the mail of a conversation belongs, by where the conversation is here.
 */
final readonly class Belongs
{
    /**
     * Where it belonged before time alone brought it back into the tray.
     *
     * @return FolderRole|null null when it did not
     */
    public static function before(Conversation $conversation, \DateTimeInterface $now, bool $hasAway = true): ?FolderRole
    {
        return $conversation->hasReturned($now) ? self::away($hasAway) : null;
    }

    private static function away(bool $hasAway): FolderRole
    {
        return $hasAway ? FolderRole::Away : FolderRole::Archive;
    }

    /** @param bool $hasAway whether what is away has a folder of its own there; otherwise it lies in the archive */
    public static function of(Conversation $conversation, \DateTimeInterface $now, bool $hasAway = true): FolderRole
    {
        return match ($conversation->placeAt($now)) {
            Place::Tray => FolderRole::Inbox,
            // Nobody has decided it yet.
            Place::Away => AwayReason::Held === $conversation->awayReason()
                ? FolderRole::Inbox
                : self::away($hasAway),
            Place::Archive => FolderRole::Archive,
            Place::Bin => FolderRole::Bin,
            Place::Blocked => FolderRole::Spam,
        };
    }
}

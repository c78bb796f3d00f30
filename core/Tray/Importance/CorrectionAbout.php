<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Importance;

use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\HabitKey;

/**
 * For which other mail somebody's word about a conversation counts, too.
 */
enum CorrectionAbout: string
{
    case Sender = 'sender';
    case MailingList = 'list';
    case Kind = 'kind';

    /** @return list<self> for what can be spoken about this message */
    public static function choices(Findings $findings): array
    {
        return HabitKey::isList($findings->head->key)
            ? [self::MailingList, self::Sender, self::Kind]
            : [self::Sender, self::Kind];
    }

    /** The trait that all that mail has. */
    public function trait(Findings $findings): string
    {
        return match ($this) {
            self::Sender => Traits::from($findings),
            self::MailingList => $findings->head->key,
            self::Kind => Traits::kind($findings),
        };
    }
}

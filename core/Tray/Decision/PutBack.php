<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Decision;

use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Deciding;
use ZippyTray\Core\Tray\Decision;
use ZippyTray\Core\Tray\Place;

/**
 * Out of the bin, into the tray.
 */
final readonly class PutBack implements Decision
{
    public function kind(): EntryKind
    {
        return EntryKind::PutBack;
    }

    public function apply(Conversation $conversation, Deciding $with): void
    {
        if (Place::Bin !== $conversation->placeAt($with->now)) {
            throw new Refused(\sprintf('"%s" is not in the bin.', $conversation->subject()));
        }
        $conversation->bringBack();
    }

    public function consequence(): string
    {
        return 'back in the tray';
    }
}

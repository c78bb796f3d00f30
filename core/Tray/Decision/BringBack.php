<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Decision;

use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Deciding;
use ZippyTray\Core\Tray\Decision;

/**
 * Back into the tray before its time, or out of the archive.
 */
final readonly class BringBack implements Decision
{
    public function kind(): EntryKind
    {
        return EntryKind::BringBack;
    }

    public function apply(Conversation $conversation, Deciding $with): void
    {
        $conversation->bringBack();
    }

    public function consequence(): string
    {
        return 'back in the tray';
    }
}

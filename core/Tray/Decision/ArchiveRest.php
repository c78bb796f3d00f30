<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Decision;

use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Deciding;
use ZippyTray\Core\Tray\Decision;

/**
 * Archived with all that was left in the tray.
 */
final readonly class ArchiveRest implements Decision
{
    public function kind(): EntryKind
    {
        return EntryKind::ArchiveRest;
    }

    public function apply(Conversation $conversation, Deciding $with): void
    {
        $conversation->archive($with->now);
    }

    public function consequence(): string
    {
        return 'in the archive';
    }
}

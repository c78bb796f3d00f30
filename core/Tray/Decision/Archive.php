<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Decision;

use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Deciding;
use ZippyTray\Core\Tray\Decision;

/**
 * Nothing to do: kept, and found again by searching.
 */
final readonly class Archive implements Decision
{
    public function kind(): EntryKind
    {
        return EntryKind::Archive;
    }

    public function apply(Conversation $conversation, Deciding $with): void
    {
        $conversation->archive($with->now);
    }

    public function consequence(): string
    {
        return '';
    }
}

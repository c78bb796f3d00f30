<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Decision;

use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Deciding;
use ZippyTray\Core\Tray\Decision;

/**
 * Out of the tray, and it stays out whatever arrives in it.
 */
final readonly class Mute implements Decision
{
    public function kind(): EntryKind
    {
        return EntryKind::Mute;
    }

    public function apply(Conversation $conversation, Deciding $with): void
    {
        $conversation->mute($with->now);
    }

    public function consequence(): string
    {
        return 'stays out of the tray';
    }
}

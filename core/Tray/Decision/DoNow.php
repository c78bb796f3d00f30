<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Decision;

use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Deciding;
use ZippyTray\Core\Tray\Decision;

/**
 * Done on the spot, in two minutes or less: nothing is left of it.
 */
final readonly class DoNow implements Decision
{
    public function kind(): EntryKind
    {
        return EntryKind::DoNow;
    }

    public function apply(Conversation $conversation, Deciding $with): void
    {
        $conversation->archive($with->now, AdvisedDecision::Now);
    }

    public function consequence(): string
    {
        return 'done, in the archive';
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Decision;

use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Deciding;
use ZippyTray\Core\Tray\Decision;

/**
 * Into the bin, where it stays for BIN_DAYS days and can be put back.
 */
final readonly class Delete implements Decision
{
    public const BIN_DAYS = 30;

    public function kind(): EntryKind
    {
        return EntryKind::Delete;
    }

    public function apply(Conversation $conversation, Deciding $with): void
    {
        $conversation->delete($with->now);
    }

    public function consequence(): string
    {
        return \sprintf('in the bin for %d days', self::BIN_DAYS);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Decision;

use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Decision;

/**
 * Out of the tray until a moment, at which it comes back by itself.
 */
final readonly class Snooze implements Decision
{
    public function __construct(private Moment $until)
    {
    }

    public function kind(): EntryKind
    {
        return EntryKind::Snooze;
    }

    public function apply(Conversation $conversation, \DateTimeImmutable $now): void
    {
        if (!$this->until->isAfter($now)) {
            throw new Refused(\sprintf('%s is already past. Choose a moment that is still to come.', $this->until->text()), 'until');
        }
        $conversation->snooze($this->until, $now);
    }

    public function consequence(): string
    {
        return 'back '.$this->until->text();
    }
}

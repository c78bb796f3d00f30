<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Decision;

use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Deciding;
use ZippyTray\Core\Tray\Decision;

/**
 * Out of the tray until a moment, at which it comes back by itself; or until an answer or the next clearing,
 * and at that moment at the latest.
 */
final readonly class Snooze implements Decision
{
    /** @param AwayReason $for anything but a hand-over */
    public function __construct(private Moment $until, private AwayReason $for = AwayReason::Snooze)
    {
    }

    public function kind(): EntryKind
    {
        return EntryKind::Snooze;
    }

    public function apply(Conversation $conversation, Deciding $with): void
    {
        $this->until->mustBeAhead($with->now, 'until');
        $conversation->snooze($this->until, $with->now, $this->for);
    }

    public function consequence(): string
    {
        return match ($this->for) {
            AwayReason::Answer => 'back when they answer, at the latest '.$this->until->text(),
            AwayReason::NextClearing => 'back when you next clear the tray, at the latest '.$this->until->text(),
            default => 'back '.$this->until->text(),
        };
    }
}

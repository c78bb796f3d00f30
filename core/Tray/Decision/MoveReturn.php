<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Decision;

use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Deciding;
use ZippyTray\Core\Tray\Decision;
use ZippyTray\Core\Tray\Place;

/**
 * Away as it was, for the same reason, until another moment.
 */
final readonly class MoveReturn implements Decision
{
    public function __construct(private Moment $until)
    {
    }

    public function kind(): EntryKind
    {
        return EntryKind::MoveReturn;
    }

    public function apply(Conversation $conversation, Deciding $with): void
    {
        $this->until->mustBeAhead($with->now, 'until');
        if (Place::Away !== $conversation->placeAt($with->now)) {
            throw new Refused(\sprintf('"%s" is not away.', $conversation->subject()));
        }
        $conversation->moveReturn($this->until, $with->now);
        if (AwayReason::HandOver === $conversation->awayReason()) {
            $with->giveTime($conversation, $this->until);
        }
    }

    public function consequence(): string
    {
        return 'back '.$this->until->text();
    }
}

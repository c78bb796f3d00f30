<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Time\Moment;

/**
 * What a decision has at hand while it is carried out.
 */
final readonly class Deciding
{
    /** @param Expectations|null $expectations null: who owes what is noted by whoever decides */
    public function __construct(public \DateTimeImmutable $now, private Step $step, private ?Expectations $expectations)
    {
    }

    /** @param string $what what is asked of them; may be empty */
    public function expect(Conversation $in, Address $person, string $what, Moment $until): void
    {
        $this->expectations?->expect($in, $person, $what, $until, $this->step, $this->now);
    }

    /** Whoever owes something in the conversation has more time, or less. */
    public function giveTime(Conversation $in, Moment $until): void
    {
        $this->expectations?->giveTime($in, $until, $this->step);
    }
}

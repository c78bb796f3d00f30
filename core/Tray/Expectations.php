<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Time\Moment;

/**
 * Who owes an answer in a conversation, as far as a decision about it says so.
 */
interface Expectations
{
    /**
     * @param string $what what is asked of them; may be empty
     * @param Step   $step on which it is written down
     */
    public function expect(Conversation $in, Address $person, string $what, Moment $until, Step $step, \DateTimeImmutable $now): void;

    /** Whoever owes something in the conversation has more time, or less. */
    public function giveTime(Conversation $in, Moment $until, Step $step): void;
}

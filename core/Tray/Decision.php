<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Refused;

/**
 * What is to become of a conversation.
 */
interface Decision
{
    public function kind(): EntryKind;

    /**
     * All that it means, for the conversation and for who owes something in it.
     *
     * @throws Refused when the decision makes no sense for this conversation now
     */
    public function apply(Conversation $conversation, Deciding $with): void;

    /** What follows from it, in words; may be empty. */
    public function consequence(): string;
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

/**
 * An object that may have come further than anything can be taken back.
 */
interface Irrevocable extends Journaled
{
    /** Why a step before cannot be taken back any more, as a sentence; empty when it can. */
    public function whyItStands(): string;
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

use ZippyTray\Core\AccountId;

/**
 * What goes along with what a person does, in the same step, so that it is undone with it.
 */
interface Follow
{
    /** @param Step $step what has been done; more can be done in it */
    public function after(AccountId $accountId, Step $step): void;
}

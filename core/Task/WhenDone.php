<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Time\Moment;

/**
 * What else comes of it when tasks are completed, in the same step.
 */
interface WhenDone
{
    /** @param non-empty-list<array{TaskId, TaskId}> $done each with what stands completed now: itself, or what a repeat has left behind */
    public function __invoke(AccountId $accountId, array $done, Moment $now, Step $step): void;
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Clock\Stretches;
use ZippyTray\Core\Agenda\Day\DayPlans;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Task\WhenDone;
use ZippyTray\Core\Time\Moment;

/**
 * A task was completed: its clock is paused. Where it repeats, the slots until today, the time by the clock and being
 * the keystone of today belong to what was done.
 */
final readonly class DoneInAgenda implements WhenDone
{
    public function __construct(private Slots $slots, private Stretches $stretches, private DayPlans $plans)
    {
    }

    public function __invoke(AccountId $accountId, array $done, Moment $now, Step $step): void
    {
        $running = $this->stretches->running($accountId);
        foreach ($done as [$task, $stands]) {
            if (true === $running?->taskId()?->is($task)) {
                $running->end($now->instant);
            }
            if ($task->is($stands)) {
                continue;
            }
            foreach ($this->slots->ofTask($accountId, $task) as $slot) {
                if (!$now->date()->isBefore($slot->dayIn($now->zone))) {
                    $step->touch($slot);
                    $slot->passTo($stands);
                }
            }
            $plan = $this->plans->of($accountId, $now->date());
            if (true === $plan?->keystone()?->is($task)) {
                $step->touch($plan);
                $plan->choose($stands);
            }
            foreach ($this->stretches->ofTask($accountId, $task) as $stretch) {
                $step->touch($stretch);
                $stretch->passTo($stands);
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Day;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;

/**
 * Chooses the keystone of a day, and notes that a day was laid out or looked back at.
 */
final readonly class KeepDays
{
    public function __construct(
        private DayPlans $plans,
        private Tasks $tasks,
        private Journal $journal,
        private Transaction $transaction,
        private ClockInterface $clock,
        private Ids $ids,
    ) {
    }

    /**
     * @param TaskId|null $taskId null: the day has none
     *
     * @throws NotFound
     * @throws Refused  when the task is done already
     */
    public function choose(AccountId $accountId, EntryId $entryId, LocalDate $day, ?TaskId $taskId): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::ChooseKeystone, function (Step $step) use (
            $accountId,
            $day,
            $taskId,
        ): void {
            $task = null === $taskId ? null : $this->tasks->get($accountId, $taskId);
            if (true === $task?->isDone()) {
                throw new Refused(\sprintf('“%s” is done already.', $task->title()), 'task');
            }
            $plan = $this->plan($accountId, $day);
            $before = $plan->keystone();
            $step->touch($plan);
            $plan->choose($taskId);
            $text = Due::onDay($day)->text();
            if (null !== $task) {
                $step->say($task->title(), "keystone of {$text}");
            } elseif (null !== $before) {
                $step->say($this->title($accountId, $before), "no longer keystone of {$text}");
            }
        });
    }

    public function laidOut(AccountId $accountId, LocalDate $day): void
    {
        $this->transaction->run(fn () => $this->plan($accountId, $day)->layOut($this->now()));
    }

    public function closed(AccountId $accountId, LocalDate $day): void
    {
        $this->transaction->run(fn () => $this->plan($accountId, $day)->close($this->now()));
    }

    private function plan(AccountId $accountId, LocalDate $day): DayPlan
    {
        $plan = $this->plans->of($accountId, $day);
        if (null === $plan) {
            $plan = new DayPlan(new DayPlanId($this->ids->next()), $accountId, $day);
            $this->plans->add($plan);
        }

        return $plan;
    }

    private function title(AccountId $accountId, TaskId $taskId): string
    {
        try {
            return $this->tasks->get($accountId, $taskId)->title();
        } catch (NotFound) {
            return 'A task that was deleted';
        }
    }

    private function now(): \DateTimeImmutable
    {
        return \DateTimeImmutable::createFromInterface($this->clock->now());
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Ids;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;

/**
 * Completes tasks, goes on to the next occurrence of those that repeat, and opens them again.
 */
final readonly class CompleteTasks
{
    private Branch $branch;

    public function __construct(
        private Tasks $tasks,
        private Journal $journal,
        private ClockInterface $clock,
        private Ids $ids,
        private WhenDone $whenDone,
    ) {
        $this->branch = new Branch($tasks);
    }

    /**
     * A task that repeats leaves what was done of it behind as completed, and stands for its next occurrence.
     *
     * @param non-empty-list<TaskId> $taskIds
     * @param bool                   $withSubtasks whether the person said that open subtasks are done too
     * @param \DateTimeZone          $zone         the person's own
     *
     * @throws NotFound
     * @throws OpenSubtasks when there are some and the person has not said so; then nothing is completed
     */
    public function complete(AccountId $accountId, EntryId $entryId, array $taskIds, bool $withSubtasks, \DateTimeZone $zone): Entry
    {
        $now = new Moment($this->clock->now(), $zone);

        return $this->journal->write($accountId, $entryId, EntryKind::CompleteTask, function (Step $step) use (
            $accountId,
            $taskIds,
            $withSubtasks,
            $now,
        ): void {
            $tops = $this->branch->tops(array_map(fn (TaskId $id): Task => $this->tasks->get($accountId, $id), $taskIds));
            $chosen = array_fill_keys(array_map(strval(...), $taskIds), true);
            $open = 0;
            foreach ($this->branch->each($tops) as $branch) {
                $task = $branch[0];
                $open += \count(array_filter(
                    $branch,
                    static fn (Task $one): bool => !$one->isDone() && !isset($chosen[$one->id->text]),
                ));
                if ($open > 0 && !$withSubtasks) {
                    continue;
                }
                $next = $task->isDone() ? null : $task->repeat()?->next($now);
                if (null === $next) {
                    $stand = $this->finish($branch, $now, $step);
                    $step->say($task->title());
                } else {
                    $stand = $this->leaveBehind($branch, $now, $step);
                    $this->goOn($branch, $next, $step);
                    $step->say($task->title(), 'next '.$next->due()->text());
                }
                ($this->whenDone)($accountId, array_map(
                    static fn (Task $one): array => [$one->id, $stand[$one->id->text]],
                    $branch,
                ), $now, $step);
            }
            if ($open > 0 && !$withSubtasks) {
                throw new OpenSubtasks($open);
            }
        });
    }

    /**
     * Goes on to the next occurrence, and this one counts as neither done nor missed.
     *
     * @param \DateTimeZone $zone the person's own
     *
     * @throws NotFound
     * @throws Refused  when it does not repeat, or this is the last one
     */
    public function skip(AccountId $accountId, EntryId $entryId, TaskId $taskId, \DateTimeZone $zone): Entry
    {
        $now = new Moment($this->clock->now(), $zone);

        return $this->journal->write($accountId, $entryId, EntryKind::SkipTask, function (Step $step) use (
            $accountId,
            $taskId,
            $now,
        ): void {
            $task = $this->tasks->get($accountId, $taskId);
            if (null === $task->repeat() || $task->isDone()) {
                throw new Refused('Only a task that repeats and is open can be skipped.');
            }
            $next = $task->repeat()->next($now) ?? throw new Refused('This is the last one of its repeat. Complete it, or delete it.');
            $this->goOn($this->branch->of($task), $next, $step);
            $step->say($task->title(), 'next '.$next->due()->text());
        });
    }

    /**
     * Opens them again, with those of their subtasks that were completed in the same step, and with what they are a part of.
     *
     * @param non-empty-list<TaskId> $taskIds
     *
     * @throws NotFound
     */
    public function restore(AccountId $accountId, EntryId $entryId, array $taskIds): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::RestoreTask, function (Step $step) use ($accountId, $taskIds): void {
            foreach ($taskIds as $id) {
                $task = $this->tasks->get($accountId, $id);
                $at = $task->completedAt()?->getTimestamp();
                $together = array_filter(
                    $this->branch->of($task),
                    static fn (Task $one): bool => $one->completedAt()?->getTimestamp() === $at,
                );
                foreach ([...$this->branch->above($task), ...$together] as $one) {
                    if ($one->isDone()) {
                        $step->touch($one);
                        $one->reopen();
                    }
                }
                $step->say($task->title());
            }
        });
    }

    /**
     * @param list<Task> $branch
     *
     * @return array<string, TaskId> what stands completed, by task
     */
    private function finish(array $branch, Moment $now, Step $step): array
    {
        $stand = [];
        foreach ($branch as $task) {
            $step->touch($task);
            $task->complete($now->instant);
            $stand[$task->id->text] = $task->id;
        }

        return $stand;
    }

    /**
     * What was done of a repeat, as a completed task of its own.
     *
     * @param list<Task> $branch
     *
     * @return array<string, TaskId> its id, by task
     */
    private function leaveBehind(array $branch, Moment $now, Step $step): array
    {
        $copies = [];
        foreach ($branch as $task) {
            $copy = $task->copy(new TaskId($this->ids->next()), $task->createdAt);
            $parent = $copies[(string) $task->parentId()] ?? $task->parentId();
            $copy->place($task->listId(), $parent, $task->rank());
            $copy->repeatBy(null);
            $copy->remind([]);
            $copy->complete($now->instant);
            $this->tasks->add($copy);
            $step->made($copy);
            $copies[$task->id->text] = $copy->id;
        }

        return $copies;
    }

    /** @param non-empty-list<Task> $branch */
    private function goOn(array $branch, Repeat $next, Step $step): void
    {
        $days = $branch[0]->repeat()?->on->daysUntil($next->on) ?? 0;
        foreach ($branch as $number => $task) {
            $step->touch($task);
            if (0 === $number) {
                $task->moveOn($next);
                continue;
            }
            $task->reopen();
            $task->shift($days);
        }
    }
}

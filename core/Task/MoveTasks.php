<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;

/**
 * Moves tasks in the person's own order: among their like, under another task, out of it, to another list.
 */
final readonly class MoveTasks
{
    private Branch $branch;

    public function __construct(private Tasks $tasks, private Journal $journal)
    {
        $this->branch = new Branch($tasks);
    }

    /**
     * They stand in the given order afterwards, one behind the other. Subtasks go along.
     *
     * @param non-empty-list<TaskId> $taskIds
     *
     * @throws NotFound
     * @throws Refused  when a task would lie under itself, too deep, or under a completed one; then nothing is moved
     */
    public function __invoke(AccountId $accountId, EntryId $entryId, array $taskIds, Spot $spot): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::MoveTask, function (Step $step) use (
            $accountId,
            $taskIds,
            $spot,
        ): void {
            $tasks = $this->branch->tops(array_map(fn (TaskId $id): Task => $this->tasks->get($accountId, $id), $taskIds));
            $behind = null === $spot->behindId ? null : $this->tasks->get($accountId, $spot->behindId);
            if (null !== $behind && [] !== array_filter($tasks, static fn (Task $task): bool => $task->id->is($behind->id))) {
                throw new Refused('A task cannot stand behind itself.', 'behind');
            }
            $parentId = $spot->parentId ?? $behind?->parentId();
            $parent = null === $parentId ? null : $this->tasks->get($accountId, $parentId);
            if ([] === $tasks) {
                throw new \LogicException('Of some tasks one lies under none of the others.');
            }
            $list = $this->tasks->getList($accountId, $parent?->listId() ?? $behind?->listId() ?? $spot->listId ?? new ListId(''));
            foreach ($tasks as $task) {
                $this->check($task, $parent);
            }
            $before = match (true) {
                null !== $behind => $behind->rank(),
                $spot->first => null,
                default => $this->tasks->lastRank($accountId, $list->id, $parent?->id),
            };
            $after = $this->tasks->rankBehind(
                $accountId,
                $list->id,
                $parent?->id,
                $before,
                array_map(static fn (Task $task): TaskId => $task->id, $tasks),
            );
            $this->put($tasks, $list, $parent, Rank::several($before, $after, \count($tasks)), $step);
            $step->say($tasks[0]->title(), null === $parent ? 'to '.$list->name() : 'under '.$parent->title(), \count($tasks));
        });
    }

    /**
     * Puts tasks, and all under them, behind all others at the top level of a list.
     *
     * @param list<Task> $tasks none of them lies under another
     */
    public function putLast(array $tasks, TaskList $list, Step $step): void
    {
        $last = [] === $tasks ? null : $this->tasks->lastRank($tasks[0]->accountId, $list->id, null);
        $this->put($tasks, $list, null, Rank::several($last, null, \count($tasks)), $step);
    }

    /**
     * @param list<Task>   $tasks
     * @param list<string> $ranks one for each
     */
    private function put(array $tasks, TaskList $list, ?Task $parent, array $ranks, Step $step): void
    {
        $elsewhere = array_values(array_filter($tasks, static fn (Task $task): bool => !$task->listId()->is($list->id)));
        foreach ([] === $elsewhere ? [] : $this->tasks->under($elsewhere) as $subtask) {
            $step->touch($subtask);
            $subtask->place($list->id, $subtask->parentId(), $subtask->rank());
        }
        foreach ($tasks as $number => $task) {
            $step->touch($task);
            $task->place($list->id, $parent?->id, $ranks[$number] ?? $task->rank());
        }
    }

    /**
     * Whether a task, or a new one, may lie under another.
     *
     * @throws Refused
     */
    public function check(?Task $task, ?Task $parent): void
    {
        if (null === $parent) {
            return;
        }
        $above = [$parent, ...$this->branch->above($parent)];
        if (null !== $task && [] !== array_filter($above, static fn (Task $one): bool => $one->id->is($task->id))) {
            throw new Refused(\sprintf('"%s" cannot lie under itself.', $task->title()), 'parent');
        }
        if (\count($above) + (null === $task ? 0 : $this->branch->height($task)) > Task::DEPTH) {
            throw new Refused(\sprintf('Subtasks lie %d levels deep at most.', Task::DEPTH), 'parent');
        }
        if ($parent->isDone() && true !== $task?->isDone()) {
            throw new Refused(\sprintf('"%s" is done. Restore it before something is put under it.', $parent->title()), 'parent');
        }
    }
}

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

/**
 * Deletes tasks with all that lies under them, and clears away what is done.
 */
final readonly class RemoveTasks
{
    private Branch $branch;

    public function __construct(private Tasks $tasks, private Journal $journal)
    {
        $this->branch = new Branch($tasks);
    }

    /**
     * @param non-empty-list<TaskId> $taskIds
     *
     * @throws NotFound
     */
    public function delete(AccountId $accountId, EntryId $entryId, array $taskIds): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::DeleteTask, function (Step $step) use ($accountId, $taskIds): void {
            foreach ($this->branch->each($this->branch->tops(array_map(
                fn (TaskId $id): Task => $this->tasks->get($accountId, $id),
                $taskIds,
            ))) as $branch) {
                $this->remove($branch, $step);
                $step->say(
                    $branch[0]->title(),
                    \count($branch) > 1 ? \sprintf('with %d subtask%s', \count($branch) - 1, 2 === \count($branch) ? '' : 's') : '',
                );
            }
        });
    }

    /** @param ListId|null $listId null: of all lists */
    public function clearDone(AccountId $accountId, EntryId $entryId, ?ListId $listId): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::ClearDone, function (Step $step) use ($accountId, $listId): void {
            $list = null === $listId ? null : $this->tasks->getList($accountId, $listId);
            $done = $this->tasks->done($accountId, $listId);
            foreach ($this->branch->each($this->branch->tops($done)) as $branch) {
                $this->remove($branch, $step);
            }
            $step->say(null === $list ? 'All lists' : $list->name(), \sprintf('%d task%s', \count($done), 1 === \count($done) ? '' : 's'));
        });
    }

    /**
     * What lies deepest goes first, so that it comes back last when this is undone.
     *
     * @param list<Task> $branch
     */
    public function remove(array $branch, Step $step): void
    {
        foreach (array_reverse($branch) as $task) {
            $step->removed($task);
            $this->tasks->remove($task);
        }
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Label\Labels;
use ZippyTray\Core\Label\NameLabels;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;

/**
 * Changes one thing of one task or of several, in one step.
 */
final readonly class ChangeTasks
{
    private Branch $branch;

    public function __construct(
        private Tasks $tasks,
        private FillTask $fill,
        private MoveTasks $move,
        private Labels $labels,
        private NameLabels $name,
        private Journal $journal,
    ) {
        $this->branch = new Branch($tasks);
    }

    /**
     * @param non-empty-list<TaskId> $taskIds
     * @param \DateTimeZone          $zone    the person's own
     *
     * @throws NotFound
     * @throws Refused  when one of them cannot be so; then none is changed
     */
    public function __invoke(AccountId $accountId, EntryId $entryId, array $taskIds, TaskChange $change, \DateTimeZone $zone): Entry
    {
        $kind = \count($taskIds) > 1 ? EntryKind::ChangeTasks : EntryKind::EditTask;

        return $this->journal->write($accountId, $entryId, $kind, function (Step $step) use (
            $accountId,
            $taskIds,
            $change,
            $zone,
        ): void {
            $tasks = array_map(fn (TaskId $id): Task => $this->tasks->get($accountId, $id), $taskIds);
            // What is made comes first, so that it is the last to go when this is undone.
            $list = null === $change->list ? null : $this->fill->list($accountId, $change->list, $step);
            $label = null === $change->label ? null : ($this->name)($accountId, [$change->label], $step)[0] ?? null;
            $off = null === $change->unlabel ? [] : $this->labels->all($accountId)->shownNamed($change->unlabel);
            foreach ($tasks as $task) {
                $step->touch($task);
                $change->apply($task, $zone, $label?->text, $off);
            }
            if (null !== $list) {
                $this->move->putLast(
                    array_values(array_filter(
                        $this->branch->tops($tasks),
                        static fn (Task $task): bool => !$task->listId()->is($list->id),
                    )),
                    $list,
                    $step,
                );
            }
            $step->say($tasks[0]->title(), $change->text(), \count($tasks));
        });
    }
}

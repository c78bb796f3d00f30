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
 * Takes over what a person filled in of a task that exists.
 */
final readonly class EditTask
{
    public function __construct(private Tasks $tasks, private FillTask $fill, private Journal $journal)
    {
    }

    /**
     * @param int           $revision the task's revision when the person saw it
     * @param \DateTimeZone $zone     the person's own
     *
     * @throws NotFound
     * @throws TaskOvertaken when it has changed since
     * @throws Refused       when a field cannot be taken as it is; then nothing is changed
     */
    public function __invoke(
        AccountId $accountId,
        EntryId $entryId,
        TaskId $taskId,
        int $revision,
        TaskFields $fields,
        \DateTimeZone $zone,
    ): Entry {
        return $this->journal->write($accountId, $entryId, EntryKind::EditTask, function (Step $step) use (
            $accountId,
            $taskId,
            $revision,
            $fields,
            $zone,
        ): void {
            $task = $this->tasks->get($accountId, $taskId);
            if ($task->revision() !== $revision) {
                throw new TaskOvertaken($task);
            }
            $this->fill->change($task, $fields, $zone, $step);
            $step->say($task->title());
        });
    }
}

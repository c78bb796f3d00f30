<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Page;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;

/**
 * What can be done to a task that exists: edit, complete, restore, delete.
 */
final readonly class ChangeTask
{
    public function __construct(private Tasks $tasks, private FillTask $fill, private Journal $journal, private ClockInterface $clock)
    {
    }

    /**
     * @throws NotFound
     * @throws Refused  when a field cannot be taken as it is; then nothing is changed
     */
    public function edit(string $accountId, string $entryId, string $taskId, TaskFields $fields): Entry
    {
        return $this->change($accountId, $entryId, EntryKind::EditTask, $taskId, function (Task $task, Page $page) use ($fields): void {
            $this->fill->change($task, $fields, $page);
        });
    }

    /** @throws NotFound */
    public function complete(string $accountId, string $entryId, string $taskId): Entry
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());

        return $this->change($accountId, $entryId, EntryKind::CompleteTask, $taskId, static function (Task $task, Page $page) use ($now): void {
            $page->touch($task);
            $task->complete($now);
        });
    }

    /** @throws NotFound */
    public function restore(string $accountId, string $entryId, string $taskId): Entry
    {
        return $this->change($accountId, $entryId, EntryKind::RestoreTask, $taskId, static function (Task $task, Page $page): void {
            $page->touch($task);
            $task->reopen();
        });
    }

    /** @throws NotFound */
    public function delete(string $accountId, string $entryId, string $taskId): Entry
    {
        return $this->change($accountId, $entryId, EntryKind::DeleteTask, $taskId, function (Task $task, Page $page): void {
            $page->removed($task);
            $this->tasks->remove($task);
        });
    }

    /** @param callable(Task, Page): void $work */
    private function change(string $accountId, string $entryId, EntryKind $kind, string $taskId, callable $work): Entry
    {
        return $this->journal->write($accountId, $entryId, $kind, function (Page $page) use ($accountId, $taskId, $work): void {
            $task = $this->tasks->get($accountId, $taskId);
            $work($task, $page);
            $page->say($task->title());
        });
    }
}

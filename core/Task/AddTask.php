<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Page;
use ZippyTray\Core\Refused;

/**
 * Writes down a task that no message asked for.
 */
final readonly class AddTask
{
    public function __construct(private FillTask $fill, private Journal $journal, private ClockInterface $clock)
    {
    }

    /** @throws Refused when a field cannot be taken as it is; then nothing is done */
    public function __invoke(string $accountId, string $entryId, string $taskId, TaskFields $fields): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::AddTask, function (Page $page) use ($accountId, $taskId, $fields): void {
            $task = $this->fill->make($accountId, $taskId, \DateTimeImmutable::createFromInterface($this->clock->now()), $fields, $page);
            $due = $task->due();
            $page->say($task->title(), null === $due ? 'without date' : 'due '.$due->text());
        });
    }
}

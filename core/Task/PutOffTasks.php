<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Moment;

/**
 * Puts tasks off, and says before what it would do.
 */
final readonly class PutOffTasks
{
    public function __construct(private Tasks $tasks, private Journal $journal, private ClockInterface $clock)
    {
    }

    /**
     * @param EntryId                $entryId made by the client
     * @param non-empty-list<TaskId> $taskIds
     * @param \DateTimeZone          $zone    the person's own
     *
     * @throws NotFound
     * @throws Refused  when one of them cannot be so; then none is put off
     */
    public function __invoke(AccountId $accountId, EntryId $entryId, array $taskIds, PutOff $putOff, \DateTimeZone $zone): Entry
    {
        $now = new Moment($this->clock->now(), $zone);

        return $this->journal->write($accountId, $entryId, EntryKind::PutOff, function (Step $step) use (
            $accountId,
            $taskIds,
            $putOff,
            $now,
        ): void {
            foreach ($taskIds as $id) {
                $task = $this->tasks->get($accountId, $id);
                [$start, $due] = $putOff->of($task, $now);
                $step->touch($task);
                try {
                    $task->schedule($start, $due, $now->zone);
                } catch (Refused $refused) {
                    throw new Refused(\sprintf('"%s": %s', $task->title(), $refused->getMessage()), 'to');
                }
                $step->say($task->title(), 'until '.$putOff->to->text());
            }
        });
    }

    /**
     * @param non-empty-list<TaskId> $taskIds
     * @param \DateTimeZone          $zone    the person's own
     *
     * @return list<array{
     *     task: Task, start: Due|null, due: Due|null, problem: string
     * }> what would become of each; the problem is a sentence, or empty
     *
     * @throws NotFound
     */
    public function preview(AccountId $accountId, array $taskIds, PutOff $putOff, \DateTimeZone $zone): array
    {
        $now = new Moment($this->clock->now(), $zone);

        return array_map(function (TaskId $id) use ($accountId, $putOff, $now): array {
            $task = $this->tasks->get($accountId, $id);
            try {
                [$start, $due] = $putOff->of($task, $now);
                $task->copy($id, $task->createdAt)->schedule($start, $due, $now->zone);
            } catch (Refused $refused) {
                return ['task' => $task, 'start' => $task->start(), 'due' => $task->due(), 'problem' => $refused->getMessage()];
            }

            return ['task' => $task, 'start' => $start, 'due' => $due, 'problem' => ''];
        }, $taskIds);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Clock;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Core\Time\Span;

/**
 * The clock of tasks: started and paused, and what it says set right. There is one; starting it for another task pauses it for the first.
 */
final readonly class KeepTime
{
    public function __construct(
        private Stretches $stretches,
        private Tasks $tasks,
        private Journal $journal,
        private Transaction $transaction,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param StretchId $id made by the client; starting what runs already changes nothing
     *
     * @throws NotFound
     * @throws Refused  when the task is done
     */
    public function start(AccountId $accountId, StretchId $id, TaskId $taskId): Stretch
    {
        return $this->transaction->run(function () use ($accountId, $id, $taskId): Stretch {
            $task = $this->tasks->get($accountId, $taskId);
            if ($task->isDone()) {
                throw new Refused(\sprintf('“%s” is done already.', $task->title()), 'task');
            }
            $running = $this->stretches->running($accountId);
            if (true === $running?->taskId()?->is($taskId)) {
                return $running;
            }
            $known = $this->stretches->find($accountId, $id);
            if (null !== $known) {
                return $known;
            }
            $this->end($running);
            $stretch = Stretch::onTask($id, $accountId, $taskId, $task->title(), $this->now());
            $this->stretches->add($stretch);

            return $stretch;
        });
    }

    /** @return Stretch|null what was paused; null when no clock ran, or hardly */
    public function pause(AccountId $accountId): ?Stretch
    {
        return $this->transaction->run(fn (): ?Stretch => $this->end($this->stretches->running($accountId)));
    }

    /**
     * Something was done at once, without a task.
     *
     * @param StretchId $id        made by the client; the same id again changes nothing
     * @param int       $estimated minutes that were given to it
     * @param int       $seconds   that it took until now
     */
    public function atOnce(
        AccountId $accountId,
        StretchId $id,
        ConversationId $conversationId,
        string $title,
        int $estimated,
        int $seconds,
    ): void {
        $this->transaction->run(function () use ($accountId, $id, $conversationId, $title, $estimated, $seconds): void {
            if ($seconds >= Stretch::SHORTEST && null === $this->stretches->find($accountId, $id)) {
                $now = $this->now();
                $begins = $now->modify('-'.min($seconds, 60 * Stretch::LONGEST).' seconds');
                $this->stretches->add(Stretch::atOnce($id, $accountId, $conversationId, $title, $estimated, $begins, $now));
            }
        });
    }

    /**
     * @param int $minutes that it was in truth
     *
     * @throws NotFound
     * @throws Refused
     */
    public function correct(AccountId $accountId, EntryId $entryId, StretchId $id, int $minutes): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::CorrectTime, function (Step $step) use (
            $accountId,
            $id,
            $minutes,
        ): void {
            $stretch = $this->stretches->get($accountId, $id);
            $step->touch($stretch);
            $stretch->last($minutes);
            $step->say($stretch->title(), (new Span(minutes: $minutes))->text());
        });
    }

    /**
     * It was no work.
     *
     * @throws NotFound
     */
    public function drop(AccountId $accountId, EntryId $entryId, StretchId $id): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::CorrectTime, function (Step $step) use ($accountId, $id): void {
            $stretch = $this->stretches->get($accountId, $id);
            if ($stretch->runs()) {
                throw new Refused('Its clock runs. Pause it first.');
            }
            $step->removed($stretch);
            $this->stretches->remove($stretch);
            $step->say($stretch->title(), 'left out');
        });
    }

    private function end(?Stretch $stretch): ?Stretch
    {
        if (null === $stretch) {
            return null;
        }
        $now = $this->now();
        $stretch->end($now);
        if ($stretch->seconds($now) >= Stretch::SHORTEST) {
            return $stretch;
        }
        $this->stretches->remove($stretch);

        return null;
    }

    private function now(): \DateTimeImmutable
    {
        return \DateTimeImmutable::createFromInterface($this->clock->now());
    }
}

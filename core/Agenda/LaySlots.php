<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Journal\Journal;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Span;

/**
 * Lays tasks on hours and days, moves what lies there, and takes it away.
 */
final readonly class LaySlots
{
    /** Of one task. */
    public const MOST = 100;

    /** In minutes: how long a slot is of a task that nobody has estimated. */
    public const USUAL = 30;

    public function __construct(private Slots $slots, private Tasks $tasks, private Journal $journal)
    {
    }

    /**
     * @param EntryId                 $entryId made by the client; the same id again changes nothing
     * @param non-empty-list<NewSlot> $slots
     *
     * @throws NotFound
     * @throws Refused  when a task is done or has too many slots, or a slot is too short or too long; then none is laid
     */
    public function put(AccountId $accountId, EntryId $entryId, array $slots): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::LaySlot, function (Step $step) use ($accountId, $slots): void {
            foreach ($slots as $slot) {
                $this->lay($accountId, $slot, $step);
            }
        });
    }

    /**
     * The same within a step.
     *
     * @param int $things to how many it was done, by this; none where the step has named it already
     *
     * @throws NotFound
     * @throws Refused
     */
    public function lay(AccountId $accountId, NewSlot $new, Step $step, int $things = 1): void
    {
        $task = $this->tasks->get($accountId, $new->taskId);
        if ($task->isDone()) {
            throw new Refused(\sprintf('“%s” is done already.', $task->title()), 'task');
        }
        $others = $this->slots->ofTask($accountId, $new->taskId);
        if (\count($others) >= self::MOST) {
            throw new Refused(\sprintf('“%s” lies in %d places already.', $task->title(), self::MOST), 'task');
        }
        $slot = new Slot($new->id, $accountId, $new->taskId, $new->when, $new->minutes ?? self::left($task, $others));
        $this->slots->add($slot);
        $step->made($slot);
        $step->say($task->title(), self::text($slot), $things);
    }

    /**
     * Pieces of one task that are sent to the same moment follow each other.
     *
     * @param non-empty-list<SlotMove> $moves
     *
     * @throws NotFound
     * @throws Refused  when one would be too short or too long; then none is moved
     */
    public function move(AccountId $accountId, EntryId $entryId, array $moves): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::MoveSlot, function (Step $step) use ($accountId, $moves): void {
            $ends = [];
            foreach ($moves as $move) {
                $slot = $this->slots->get($accountId, $move->id);
                $step->touch($slot);
                $piece = $slot->taskId()->text.' '.$move->when->text();
                $slot->lay($ends[$piece] ?? $move->when, $move->minutes ?? $slot->minutes());
                $end = $slot->ends();
                null === $end ?: $ends[$piece] = Due::at($end->date(), $end->time(), $end->zone);
                $step->say($this->title($slot), self::text($slot));
            }
        });
    }

    /**
     * @param non-empty-list<SlotId> $ids
     *
     * @throws NotFound
     */
    public function drop(AccountId $accountId, EntryId $entryId, array $ids): Entry
    {
        return $this->journal->write($accountId, $entryId, EntryKind::DropSlot, function (Step $step) use ($accountId, $ids): void {
            foreach ($ids as $id) {
                $slot = $this->slots->get($accountId, $id);
                $step->removed($slot);
                $this->slots->remove($slot);
                $step->say($this->title($slot), 'no longer '.self::text($slot));
            }
        });
    }

    /** @param list<Slot> $slots that it has */
    private static function left(Task $task, array $slots): int
    {
        $estimate = $task->estimated();
        if (null === $estimate) {
            return self::USUAL;
        }
        $laid = array_sum(array_map(static fn (Slot $slot): int => $slot->minutes(), $slots));

        return max(Slot::SHORTEST, min(Slot::LONGEST, $estimate - $laid));
    }

    /** Of a task that was deleted, that there was one. */
    private function title(Slot $slot): string
    {
        try {
            return $this->tasks->get($slot->accountId, $slot->taskId())->title();
        } catch (NotFound) {
            return 'A task that was deleted';
        }
    }

    private static function text(Slot $slot): string
    {
        return $slot->when()->text().', '.(new Span(minutes: $slot->minutes()))->text();
    }
}

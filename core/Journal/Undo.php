<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;

/**
 * Puts back what an entry of the journal changed, whichever it is, not only the last one.
 *
 * It is done only when every object still is as the entry left it, so that nothing which came later
 * is overwritten. Undoing is itself an entry: undoing that one does the thing again.
 */
final readonly class Undo
{
    public function __construct(private Journal $journal, private Entries $entries, private Objects $objects, private Lifts $lifts)
    {
    }

    /**
     * @param EntryId $undoId  the id of the new entry, made by the client
     * @param EntryId $entryId the entry to take back
     * @param bool    $through whether what came after it and stands in the way is taken back, too, in the same step
     *
     * @throws NotFound    when there is no such entry
     * @throws UndoBlocked when something that came later stands in the way
     * @throws CannotUndo  when the entry is of a kind that leaves nothing to put back
     */
    public function __invoke(AccountId $accountId, EntryId $undoId, EntryId $entryId, bool $through = false): Entry
    {
        $entry = $this->entries->find($accountId, $entryId) ?? throw new NotFound('journal entry', $entryId->text);

        return $this->journal->write($accountId, $undoId, EntryKind::Undo, function (Step $step) use (
            $accountId,
            $undoId,
            $entry,
            $through,
        ): void {
            if (null !== $entry->undoneBy()) {
                throw new CannotUndo('This has already been undone.');
            }
            foreach ([...($through ? $this->inTheWay($entry) : []), $entry] as $one) {
                $this->takeBack($accountId, $one, $step);
                $this->mark($one, $undoId);
            }
            $step->say($entry->about, $entry->consequence, $entry->things ?? 1);
        }, $entry);
    }

    private function takeBack(AccountId $accountId, Entry $entry, Step $step): void
    {
        if (EntryKind::EmptyBin === $entry->kind) {
            throw new CannotUndo('The bin was emptied: this mail is gone for good and cannot be put back.');
        }
        if (EntryKind::Deliver === $entry->kind) {
            throw new CannotUndo(\sprintf('"%s" has gone out, and what went with it cannot be taken back any more.', $entry->about));
        }
        foreach (array_reverse($entry->changes()) as $change) {
            $this->putBack($accountId, $entry, $this->lifts->lifted($change, $accountId), $step);
        }
    }

    /**
     * What came after an entry and changed what it had changed, or what that changed besides; without what has been taken
     * back since.
     *
     * @return list<Entry> the newest first
     */
    private function inTheWay(Entry $entry): array
    {
        [$found, $objects] = [[], array_map(static fn (Change $change): ObjectRef => $change->object, $entry->changes())];
        do {
            $before = \count($found);
            foreach ($this->entries->laterAbout($entry->accountId, $objects, $entry->number) as $later) {
                if (!isset($found[$later->number]) && null === $later->undoneBy() && !$this->isUndoneWithin($later, $entry)) {
                    $found[$later->number] = $later;
                    array_push($objects, ...array_map(static fn (Change $change): ObjectRef => $change->object, $later->changes()));
                }
            }
        } while (\count($found) > $before);
        krsort($found);

        return array_values($found);
    }

    /** An undoing and what it undid, both of them later, leave things as they were. */
    private function isUndoneWithin(Entry $later, Entry $entry): bool
    {
        $undone = null === $later->undoes ? null : $this->entries->find($entry->accountId, $later->undoes);

        return null !== $undone && $undone->number > $entry->number;
    }

    /** Taking back an undoing puts what it had undone into effect again, and so on down the chain. */
    private function mark(Entry $entry, EntryId $undoId): void
    {
        $entry->markUndone($undoId);
        foreach ($this->entries->undoneBy($entry->accountId, $entry->id) as $together) {
            $together->markDoneAgain();
        }
        $inEffect = true;
        while (null !== $entry->undoes && null !== $undone = $this->entries->find($entry->accountId, $entry->undoes)) {
            $inEffect ? $undone->markDoneAgain() : $undone->markUndone($entry->id);
            $inEffect = !$inEffect;
            $entry = $undone;
        }
    }

    private function putBack(AccountId $accountId, Entry $entry, Change $change, Step $step): void
    {
        $object = $this->objects->find($accountId, $change->object);
        if ($object instanceof Irrevocable && '' !== $object->whyItStands() && $object->state() !== $change->after) {
            throw new CannotUndo($object->whyItStands());
        }
        if ($object?->state() !== $change->after) {
            throw $this->blocked($entry, $change->object);
        }
        if (null === $change->before) {
            $isNeeded = null !== $object && $this->objects->isNeeded($accountId, $change->object);
            if ($isNeeded && ObjectKind::Task === $change->object->kind) {
                // Something was put under it since.
                throw $this->blocked($entry, $change->object);
            }
            if (null !== $object && !$isNeeded) {
                $step->removed($object);
                $this->objects->remove($object);
            }

            return;
        }
        if (null === $object) {
            $object = $this->objects->revive($accountId, $change->object, $change->before);
            $step->made($object);
        } else {
            $step->touch($object);
            $object->restore($change->before);
        }
        foreach ($object->needs() as $needed) {
            if (null === $this->objects->find($accountId, $needed)) {
                throw $this->blocked($entry, $needed);
            }
        }
    }

    /** Named is the first step after it that is still in effect and changed the same; how many there are is said, too. */
    private function blocked(Entry $entry, ObjectRef $object): UndoBlocked
    {
        $later = $this->inTheWay($entry);
        $about = array_filter(
            $later,
            static fn (Entry $one): bool => [] !== array_filter(
                $one->changes(),
                static fn (Change $change): bool => $change->object->is($object),
            ),
        );
        $first = array_values(array_reverse($about))[0] ?? null;
        $newest = $this->entries->newestAbout($entry->accountId, $object);

        return new UndoBlocked($entry, $object, $first ?? (true === $newest?->id->is($entry->id) ? null : $newest), \count($later));
    }
}

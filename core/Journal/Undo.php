<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

use ZippyTray\Core\NotFound;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\OutgoingState;

/**
 * Puts back what an entry of the journal changed, whichever it is, not only the last one.
 *
 * It is done only when every object still is as the entry left it, so that nothing which came later
 * is overwritten. Undoing is itself an entry: undoing that one does the thing again.
 */
final readonly class Undo
{
    public function __construct(private Journal $journal, private Entries $entries, private Objects $objects)
    {
    }

    /**
     * @param string $undoId  the id of the new entry, made by the client
     * @param string $entryId the entry to take back
     *
     * @throws NotFound    when there is no such entry
     * @throws UndoBlocked when something that came later stands in the way
     * @throws CannotUndo  when the entry is of a kind that leaves nothing to put back
     */
    public function __invoke(string $accountId, string $undoId, string $entryId): Entry
    {
        $entry = $this->entries->find($accountId, $entryId) ?? throw new NotFound('journal entry', $entryId);

        return $this->journal->write($accountId, $undoId, EntryKind::Undo, function (Page $page) use ($accountId, $undoId, $entry): void {
            if (null !== $entry->undoneBy()) {
                throw new CannotUndo('This has already been undone.');
            }
            if (EntryKind::EmptyBin === $entry->kind) {
                throw new CannotUndo('The bin was emptied: this mail is gone for good and cannot be put back.');
            }
            foreach (array_reverse($entry->changes()) as $change) {
                $this->putBack($accountId, $entry, $change, $page);
            }
            $page->say($entry->about, $entry->consequence);
            $this->mark($entry, $undoId);
        }, $entry);
    }

    /** Taking back an undoing puts what it had undone into effect again, and so on down the chain. */
    private function mark(Entry $entry, string $undoId): void
    {
        $entry->markUndone($undoId);
        $inEffect = true;
        while (null !== $entry->undoes && null !== $undone = $this->entries->find($entry->accountId, $entry->undoes)) {
            $inEffect ? $undone->markDoneAgain() : $undone->markUndone($entry->id);
            $inEffect = !$inEffect;
            $entry = $undone;
        }
    }

    private function putBack(string $accountId, Entry $entry, Change $change, Page $page): void
    {
        $object = $this->objects->find($accountId, $change->object);
        if ($object instanceof Outgoing && OutgoingState::Draft !== $object->outgoingState() && $object->state() !== $change->after) {
            throw new CannotUndo($object->outgoingState()->isTrouble() ? 'It could not be sent. You find it under Coming back.' : 'It has gone out, and cannot be taken back any more.');
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
                $page->removed($object);
                $this->objects->remove($object);
            }

            return;
        }
        if (null === $object) {
            $object = $this->objects->revive($accountId, $change->object, $change->before);
            $page->made($object);
        } else {
            $page->touch($object);
            $object->restore($change->before);
        }
        foreach ($object->needs() as $needed) {
            if (null === $this->objects->find($accountId, $needed)) {
                throw $this->blocked($entry, $needed);
            }
        }
    }

    private function blocked(Entry $entry, ObjectRef $object): UndoBlocked
    {
        $newest = $this->entries->newestAbout($entry->accountId, $object);

        return new UndoBlocked($entry, $object, $newest?->id === $entry->id ? null : $newest);
    }
}

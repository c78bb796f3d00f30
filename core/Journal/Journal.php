<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;

/**
 * Writes down what is done, in the same transaction in which it is done.
 */
final readonly class Journal
{
    public function __construct(
        private Entries $entries,
        private Transaction $transaction,
        private ClockInterface $clock,
        private Lifts $lifts,
        private Follow $follow,
    ) {
    }

    /**
     * Runs $work once for an $entryId: a second call with the same id does nothing and gives the
     * entry of the first.
     *
     * @param callable(Step): void $work
     * @param ClearingId|null      $clearingId the clearing in which it is done
     */
    public function write(
        AccountId $accountId,
        EntryId $entryId,
        EntryKind $kind,
        callable $work,
        ?Entry $undoes = null,
        ?ClearingId $clearingId = null,
    ): Entry {
        return $this->transaction->run(function () use ($accountId, $entryId, $kind, $work, $undoes, $clearingId): Entry {
            $known = $this->entries->find($accountId, $entryId);
            if (null !== $known) {
                return $known;
            }
            if (null !== $clearingId && !$this->entries->hasClearing($accountId, $clearingId)) {
                throw new NotFound('clearing', $clearingId->text);
            }
            $step = new Step();
            $work($step);
            if (EntryKind::Undo !== $kind) {
                $this->follow->after($accountId, $step);
            }
            $entry = $this->entry($accountId, $entryId, $kind, $step, $undoes, $clearingId);
            $this->entries->add($entry);

            return $entry;
        });
    }

    /**
     * Writes down what happened by itself, in the transaction in which it does: mail that came or went. Where it changed
     * nothing that somebody has decided, there is no entry.
     *
     * @param EntryId $entryId a new one
     */
    public function note(AccountId $accountId, EntryId $entryId, EntryKind $kind, Step $step): void
    {
        if ([] !== $step->changes()) {
            $this->entries->add($this->entry($accountId, $entryId, $kind, $step));
        }
    }

    private function entry(
        AccountId $accountId,
        EntryId $entryId,
        EntryKind $kind,
        Step $step,
        ?Entry $undoes = null,
        ?ClearingId $clearingId = null,
    ): Entry {
        return new Entry(
            $entryId,
            $accountId,
            $this->entries->nextNumber($accountId),
            \DateTimeImmutable::createFromInterface($this->clock->now()),
            $kind,
            $step->about(),
            $step->consequence(),
            $step->changes($this->lifts),
            $undoes?->id,
            $clearingId,
            $step->things(),
        );
    }
}

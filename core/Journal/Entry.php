<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

use ZippyTray\Core\AccountId;

/**
 * One thing that was done, to one object or to several in one step.
 *
 * Entries are never changed or removed; only $undoneBy is kept up to date, so that a list need not
 * follow chains of undoing.
 *
 * @phpstan-import-type ChangeState from Change
 */
final class Entry
{
    /** @var list<ChangeState> */
    private array $changes;

    private ?EntryId $undoneBy = null;

    /**
     * @param EntryId         $id          made by the client, so that a repeated request is recognised
     * @param int             $number      position in the account's journal, from 1 upwards without order gaps
     * @param string          $about       subject or title of what it was done to; for several, of the first
     * @param string          $consequence what follows, in words; may be empty
     * @param list<Change>    $changes     in the order in which they were made
     * @param EntryId|null    $undoes      the entry that this one takes back
     * @param ClearingId|null $clearingId  the clearing in which it was done
     * @param int|null        $things      to how many it was done, without what changed along with them; null: of an older entry
     */
    public function __construct(
        public readonly EntryId $id,
        public readonly AccountId $accountId,
        public readonly int $number,
        public readonly \DateTimeImmutable $at,
        public readonly EntryKind $kind,
        public readonly string $about,
        public readonly string $consequence,
        array $changes,
        public readonly ?EntryId $undoes = null,
        public readonly ?ClearingId $clearingId = null,
        public readonly ?int $things = null,
    ) {
        $this->changes = array_map(static fn (Change $change): array => $change->state(), $changes);
    }

    /** @return list<Change> */
    public function changes(): array
    {
        return array_map(Change::fromState(...), $this->changes);
    }

    public function undoneBy(): ?EntryId
    {
        return $this->undoneBy;
    }

    public function markUndone(EntryId $by): void
    {
        $this->undoneBy = $by;
    }

    public function markDoneAgain(): void
    {
        $this->undoneBy = null;
    }
}

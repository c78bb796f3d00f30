<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\NotFound;

/**
 * Writes down what is done, in the same transaction in which it is done.
 */
final readonly class Journal
{
    public function __construct(private Entries $entries, private Transaction $transaction, private ClockInterface $clock)
    {
    }

    /**
     * Runs $work once for an $entryId: a second call with the same id does nothing and gives the
     * entry of the first.
     *
     * @param callable(Page): void $work
     * @param string|null          $clearingId the clearing in which it is done
     */
    public function write(string $accountId, string $entryId, EntryKind $kind, callable $work, ?Entry $undoes = null, ?string $clearingId = null): Entry
    {
        return $this->transaction->run(function () use ($accountId, $entryId, $kind, $work, $undoes, $clearingId): Entry {
            $known = $this->entries->find($accountId, $entryId);
            if (null !== $known) {
                return $known;
            }
            if (null !== $clearingId && !$this->entries->hasClearing($accountId, $clearingId)) {
                throw new NotFound('clearing', $clearingId);
            }
            $page = new Page();
            $work($page);
            $entry = new Entry(
                $entryId,
                $accountId,
                $this->entries->nextNumber($accountId),
                \DateTimeImmutable::createFromInterface($this->clock->now()),
                $kind,
                $page->about(),
                $page->consequence(),
                $page->changes(),
                $undoes?->id,
                $clearingId,
            );
            $this->entries->add($entry);

            return $entry;
        });
    }
}

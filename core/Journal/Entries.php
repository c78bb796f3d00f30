<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

use ZippyTray\Core\AccountId;

/**
 * The journal's store. Every call is bound to one account.
 */
interface Entries
{
    /** Whether this person has begun such a clearing. */
    public function hasClearing(AccountId $accountId, ClearingId $clearingId): bool;

    public function find(AccountId $accountId, EntryId $id): ?Entry;

    public function add(Entry $entry): void;

    /**
     * @param int $number of an entry
     * @param int $most   so many of them
     *
     * @return list<Entry> those after that one, in order
     */
    public function after(AccountId $accountId, int $number, int $most): array;

    /** The number that the account's next entry gets. */
    public function nextNumber(AccountId $accountId): int;

    /**
     * The entries that changed one of the objects after another entry, the newest first.
     *
     * @param list<ObjectRef> $objects
     *
     * @return list<Entry>
     */
    public function laterAbout(AccountId $accountId, array $objects, int $number): array;

    /** @return list<Entry> those that this one has taken back */
    public function undoneBy(AccountId $accountId, EntryId $entryId): array;

    /** The newest entry that changed the object, if any did. */
    public function newestAbout(AccountId $accountId, ObjectRef $object): ?Entry;
}

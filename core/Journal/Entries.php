<?php

declare(strict_types=1);

namespace ZippyTray\Core\Journal;

/**
 * The journal's store. Every call is bound to one account.
 */
interface Entries
{
    /** Whether this person has begun such a clearing. */
    public function hasClearing(string $accountId, string $clearingId): bool;

    public function find(string $accountId, string $id): ?Entry;

    public function add(Entry $entry): void;

    /** The number that the account's next entry gets. */
    public function nextNumber(string $accountId): int;

    /**
     * The entries that changed one of the objects after another entry, the newest first.
     *
     * @param list<ObjectRef> $objects
     *
     * @return list<Entry>
     */
    public function laterAbout(string $accountId, array $objects, int $number): array;

    /** @return list<Entry> those that this one has taken back */
    public function undoneBy(string $accountId, string $entryId): array;

    /** The newest entry that changed the object, if any did. */
    public function newestAbout(string $accountId, ObjectRef $object): ?Entry;
}

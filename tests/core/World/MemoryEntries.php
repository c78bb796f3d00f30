<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Change;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\Entries;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\ObjectRef;

final readonly class MemoryEntries implements Entries
{
    public function __construct(private Memory $memory)
    {
    }

    public function hasClearing(AccountId $accountId, ClearingId $clearingId): bool
    {
        return isset($this->memory->clearings[$clearingId->text]);
    }

    public function find(AccountId $accountId, EntryId $id): ?Entry
    {
        return $this->memory->entries[$id->text] ?? null;
    }

    public function add(Entry $entry): void
    {
        $this->memory->entries[$entry->id->text] = $entry;
    }

    public function after(AccountId $accountId, int $number, int $most): array
    {
        $after = array_filter($this->memory->entries, static fn (Entry $entry): bool => $entry->number > $number);

        return \array_slice(array_values($after), 0, $most);
    }

    public function nextNumber(AccountId $accountId): int
    {
        return \count($this->memory->entries) + 1;
    }

    public function newestAbout(AccountId $accountId, ObjectRef $object): ?Entry
    {
        foreach (array_reverse($this->memory->entries) as $entry) {
            if (array_filter(
                $entry->changes(),
                static fn (Change $change): bool => $change->object->kind === $object->kind && $change->object->id === $object->id,
            )) {
                return $entry;
            }
        }

        return null;
    }

    public function laterAbout(AccountId $accountId, array $objects, int $number): array
    {
        $names = array_map(static fn (ObjectRef $object): string => $object->kind->value.$object->id, $objects);

        return array_reverse(array_values(array_filter(
            $this->memory->entries,
            static fn (Entry $entry): bool => $entry->number > $number && [] !== array_filter(
                $entry->changes(),
                static fn (Change $change): bool => \in_array($change->object->kind->value.$change->object->id, $names, true),
            ),
        )));
    }

    public function undoneBy(AccountId $accountId, EntryId $entryId): array
    {
        return array_values(array_filter(
            $this->memory->entries,
            static fn (Entry $entry): bool => true === $entry->undoneBy()?->is($entryId),
        ));
    }
}

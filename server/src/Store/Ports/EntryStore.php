<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\Entries;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Server\Store\ListEntries;

final readonly class EntryStore implements Entries
{
    public function __construct(private EntityManagerInterface $orm, private ListEntries $lists)
    {
    }

    public function hasClearing(AccountId $accountId, ClearingId $clearingId): bool
    {
        return false !== $this->orm->getConnection()->fetchOne(
            'SELECT 1 FROM clearing WHERE account_id = ? AND id = ?',
            [$accountId, $clearingId],
        );
    }

    public function find(AccountId $accountId, EntryId $id): ?Entry
    {
        return $this->orm->getRepository(Entry::class)->findOneBy(['accountId' => $accountId, 'id' => $id]);
    }

    public function add(Entry $entry): void
    {
        $this->orm->persist($entry);
        $this->orm->flush();
        foreach ($entry->changes() as $change) {
            $this->orm->getConnection()->insert('journal_touch', [
                'entry_id' => $entry->id,
                'kind' => $change->object->kind->value,
                'object_id' => $change->object->id,
            ]);
        }
        $this->lists->add($entry);
    }

    public function after(AccountId $accountId, int $number, int $most): array
    {
        /** @var list<Entry> */
        return $this->orm->createQueryBuilder()
            ->select('e')->from(Entry::class, 'e')
            ->where('e.accountId = :account AND e.number > :number')
            ->orderBy('e.number')
            ->setParameter('account', $accountId, 'account_id')
            ->setParameter('number', $number)
            ->setMaxResults($most)
            ->getQuery()->getResult();
    }

    public function nextNumber(AccountId $accountId): int
    {
        $last = $this->orm->getConnection()->fetchOne('SELECT MAX(number) FROM journal_entry WHERE account_id = ?', [$accountId]);

        return (is_numeric($last) ? (int) $last : 0) + 1;
    }

    public function newestAbout(AccountId $accountId, ObjectRef $object): ?Entry
    {
        $id = $this->orm->getConnection()->fetchOne(
            'SELECT e.id FROM journal_touch t JOIN journal_entry e ON e.id = t.entry_id
             WHERE e.account_id = ? AND t.kind = ? AND t.object_id = ? ORDER BY e.number DESC LIMIT 1',
            [$accountId, $object->kind->value, $object->id],
        );

        return \is_string($id) ? $this->find($accountId, new EntryId($id)) : null;
    }

    public function laterAbout(AccountId $accountId, array $objects, int $number): array
    {
        $wanted = array_map(static fn (ObjectRef $object): array => ['kind' => $object->kind->value, 'id' => $object->id], $objects);
        $ids = $this->orm->getConnection()->fetchFirstColumn(
            "SELECT DISTINCT e.id FROM json_each(?) j JOIN journal_touch t ON t.kind = j.value ->> 'kind' AND t.object_id = j.value ->> 'id'
             JOIN journal_entry e ON e.id = t.entry_id WHERE e.account_id = ? AND e.number > ?",
            [json_encode($wanted, \JSON_THROW_ON_ERROR), $accountId, $number],
        );

        return array_values(array_filter(
            $this->orm->getRepository(Entry::class)->findBy(['id' => $ids], ['number' => 'DESC']),
            static fn (Entry $entry): bool => $entry->accountId->is($accountId),
        ));
    }

    public function undoneBy(AccountId $accountId, EntryId $entryId): array
    {
        return $this->orm->getRepository(Entry::class)->findBy(['accountId' => $accountId, 'undoneBy' => $entryId]);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Books;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\Journal\Change;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\Lifts;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\Objects;
use ZippyTray\Server\Store\ListEntries;
use ZippyTray\Server\Store\StoredNow;

/**
 * Each thing is as the last entry about it has left it. What comes in and what goes out changes conversations and what
 * hangs on them without an entry, after which this cannot be told of them any more.
 */
final readonly class JournalExplains implements BookCheck
{
    private const AT_ONCE = 200;

    /** What arrival and delivery never touch. */
    private const EXACT = [
        ObjectKind::TaskList,
        ObjectKind::Reference,
        ObjectKind::KeptSearch,
        ObjectKind::Template,
        ObjectKind::Contact,
        ObjectKind::Correction,
        ObjectKind::Label,
        ObjectKind::Stamp,
        ObjectKind::Order,
        ObjectKind::Slot,
        ObjectKind::Event,
        ObjectKind::Stretch,
        ObjectKind::DayPlan,
        ObjectKind::BlockedSender,
    ];

    /** What is gone with its mail, or once it was answered. */
    private const GONE = [ObjectKind::Conversation, ObjectKind::Reading, ObjectKind::Borne, ObjectKind::Card, ObjectKind::Ring];

    public function __construct(
        private Connection $connection,
        private EntityManagerInterface $orm,
        private Objects $objects,
        private Lifts $lifts,
        private ListEntries $lists,
    ) {
    }

    public function claim(): string
    {
        return 'Each thing is as the last entry of the journal about it has left it, or mail explains why not.';
    }

    public function look(): Found
    {
        $found = new Found();
        $seen = [];
        $number = \PHP_INT_MAX;
        while ([] !== $ids = $this->connection->fetchFirstColumn(
            'SELECT id FROM journal_entry WHERE number < ? ORDER BY number DESC LIMIT '.self::AT_ONCE,
            [$number],
        )) {
            $entries = $this->orm->getRepository(Entry::class)->findBy(['id' => $ids], ['number' => 'DESC']);
            foreach ($entries as $entry) {
                $number = min($number, $entry->number);
                ++$found->seen;
                $lists = ListEntries::lists($entry->changes());
                sort($lists);
                $lists === $this->lists->of($entry) || $found->wrong(\sprintf('A list does not know entry %d.', $entry->number));
                foreach ($entry->changes() as $change) {
                    $key = $change->object->kind->value.' '.$change->object->id;
                    if (!isset($seen[$key])) {
                        $seen[$key] = true;
                        $this->isExplained($entry, $this->lifts->lifted($change, $entry->accountId)) || $found->wrong(\sprintf(
                            '%s is not as entry %d has left it.',
                            $key,
                            $entry->number,
                        ));
                    }
                }
            }
            $this->orm->clear();
        }
        $found->allWrong(
            'The journal does not find the entry by what it is about',
            $this->connection->fetchFirstColumn(
                'SELECT e.number FROM journal_entry e WHERE (SELECT COUNT(*) FROM journal_touch t WHERE t.entry_id = e.id) <> '
                    .'json_array_length(e.changes)',
            ),
        );

        return $found->allWrong(
            'An entry has a number that another one has',
            $this->connection->fetchFirstColumn('SELECT number FROM journal_entry GROUP BY account_id, number HAVING COUNT(*) > 1'),
        );
    }

    private function isExplained(Entry $entry, Change $change): bool
    {
        $object = $this->objects->find($entry->accountId, $change->object);
        if ($object?->state() === $change->after) {
            return true;
        }
        $since = StoredNow::of($entry->at);

        return match (true) {
            \in_array($change->object->kind, self::EXACT, true) => false,
            // The bin was emptied, which only says how many there were; or a reminder that was answered is forgotten.
            null === $object => \in_array($change->object->kind, self::GONE, true),
            ObjectKind::Conversation === $change->object->kind => $this->hasMailSince($change->object->id, $since),
            ObjectKind::Task === $change->object->kind => $this->changedByMail($entry->accountId->text, $since),
            default => true,
        };
    }

    private function hasMailSince(string $conversation, string $since): bool
    {
        return false !== $this->connection->fetchOne(
            'SELECT 1 FROM conversation_message x JOIN message m ON m.id = x.message_id WHERE x.conversation_id = ? AND m.imported_at >= ?',
            [$conversation, $since],
        )
            || false !== $this->connection->fetchOne(
                'SELECT 1 FROM outgoing WHERE conversation_id = ? AND changed_at >= ?',
                [$conversation, $since],
            )
            || false !== $this->connection->fetchOne(
                "SELECT 1 FROM conversation WHERE id = ? AND called_back_by IS NOT NULL AND called_back_by <> ''",
                [$conversation],
            );
    }

    private function changedByMail(string $account, string $since): bool
    {
        return false !== $this->connection->fetchOne(
            'SELECT 1 FROM owed WHERE account_id = ? AND task_id IS NOT NULL AND settled_at >= ?',
            [$account, $since],
        );
    }

    public function repair(): void
    {
        $this->connection->executeStatement('DELETE FROM journal_touch');
        $this->connection->executeStatement(
            "INSERT OR IGNORE INTO journal_touch (entry_id, kind, object_id) SELECT e.id, j.value ->> 'kind', j.value ->> 'id'
                FROM journal_entry e, json_each(e.changes) j",
        );
        $this->connection->executeStatement('DELETE FROM list_entry');
        foreach ($this->connection->iterateColumn('SELECT id FROM journal_entry') as $id) {
            $entry = \is_string($id) ? $this->orm->find(Entry::class, new EntryId($id)) : null;
            null === $entry || $this->lists->add($entry);
            $this->orm->clear();
        }
    }
}

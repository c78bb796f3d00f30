<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\Agenda\Event\Occurrence;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Remind\Reminding;
use ZippyTray\Core\Remind\Ring;
use ZippyTray\Core\Remind\Rings;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * @phpstan-import-type ReminderState from Reminder
 */
final readonly class RingStore implements Rings
{
    /** Tasks and conversations that remind, for a query of t and l, or of c. */
    private const TASKS = "t.reminders <> '[]' AND t.completed_at IS NULL AND NOT l.archived";

    private const CONVERSATIONS = "c.reminders <> '[]' AND c.place NOT IN ('bin', 'blocked')";

    /** Days ahead in which a series is looked through for what reminds. */
    private const AHEAD = 62;

    /** Days: what began longer ago reminds of nothing any more. */
    private const BEHIND = 14;

    public function __construct(private EntityManagerInterface $orm, private ClockInterface $clock, private LoggerInterface $logger)
    {
    }

    public function reminding(AccountId $accountId): iterable
    {
        $this->orm->flush();
        $connection = $this->orm->getConnection();
        $tasks = $connection->iterateAssociative(
            'SELECT t.id, t.start_date, t.start_time, t.start_zone, t.due_date, t.due_time, t.due_zone, t.reminders FROM task t JOIN '
                .'task_list l ON l.id = t.list_id WHERE t.account_id = ? AND '.self::TASKS,
            [$accountId],
        );
        foreach ($tasks as $columns) {
            $one = $this->guarded(
                new Row($columns),
                static fn (Row $row): Reminding => new Reminding(
                    new ObjectRef(ObjectKind::Task, $row->string('id')),
                    $row->dueOrNull('start'),
                    $row->dueOrNull('due'),
                    self::reminders($row),
                ),
            );
            if (null !== $one) {
                yield $one;
            }
        }
        $conversations = $connection->iterateAssociative(
            'SELECT c.id, c.away_until, c.away_zone, c.reminders FROM conversation c INDEXED BY conversation_reminding WHERE c.account_id '
                .'= ? AND '.self::CONVERSATIONS,
            [$accountId],
        );
        foreach ($conversations as $columns) {
            $one = $this->guarded(
                new Row($columns),
                static fn (Row $row): Reminding => new Reminding(
                    new ObjectRef(ObjectKind::Conversation, $row->string('id')),
                    null,
                    self::return($row),
                    self::reminders($row),
                ),
            );
            if (null !== $one) {
                yield $one;
            }
        }
        yield from $this->ofEvents($accountId);
        yield from $this->ofStages($accountId);
    }

    /** @return iterable<Reminding> of what stands at a stage that lets things stand for some days only */
    private function ofStages(AccountId $accountId): iterable
    {
        foreach ($this->orm->getRepository(TaskList::class)->findBy(['accountId' => $accountId, 'archived' => false]) as $list) {
            foreach ($list->stages()->all as $stage) {
                if (null === $stage->days) {
                    continue;
                }
                $rows = $this->orm->getConnection()->iterateAssociative(
                    "SELECT 'conversation' AS kind, x.conversation_id AS id, x.stage_since AS since FROM card x
                        CROSS JOIN conversation c ON c.id = x.conversation_id
                     WHERE x.account_id = :account AND x.list_id = :list AND x.stage = :stage AND x.stage_since > :from
                        AND c.place NOT IN ('bin', 'blocked')
                     UNION ALL SELECT 'task', t.id, t.stage_since FROM task t
                     WHERE t.account_id = :account AND t.list_id = :list AND t.stage = :stage AND t.stage_since > :from
                        AND t.completed_at IS NULL",
                    [
                        'account' => $accountId->text,
                        'list' => $list->id->text,
                        'stage' => $stage->id,
                        'from' => StoredNow::of($this->clock->now()->modify(\sprintf('-%d days', $stage->days + self::BEHIND))),
                    ],
                );
                foreach ($rows as $columns) {
                    $one = $this->guarded(new Row($columns), static function (Row $row) use ($list, $stage): ?Reminding {
                        $up = $stage->comesUp(new \DateTimeImmutable($row->string('since')));

                        return null === $up ? null : new Reminding(
                            new ObjectRef(ObjectKind::from($row->string('kind')), $row->string('id')),
                            null,
                            null,
                            [Reminder::at(new Moment($up, new \DateTimeZone('UTC')))],
                            \sprintf('%d %s at “%s” of %s', $stage->days, 1 === $stage->days ? 'day' : 'days', $stage->name, $list->name()),
                        );
                    });
                    if (null !== $one) {
                        yield $one;
                    }
                }
            }
        }
    }

    /** @return iterable<Reminding> of events; of a series for each time that is near */
    private function ofEvents(AccountId $accountId): iterable
    {
        $today = LocalDate::of($this->clock->now(), new \DateTimeZone('UTC'));
        foreach ($this->orm->getConnection()->iterateAssociative(
            'SELECT id, state FROM event WHERE account_id = :account AND reminds AND last_day >= :day
             UNION ALL SELECT id, state FROM event WHERE account_id = :account AND reminds AND last_day IS NULL',
            ['account' => $accountId, 'day' => (string) $today->plusDays(-self::BEHIND)],
        ) as $columns) {
            try {
                $row = new Row($columns);
                /** @var array<string, mixed> $state */
                $state = json_decode($row->string('state'), true, flags: \JSON_THROW_ON_ERROR);
                $event = Event::revived(new EventId($row->string('id')), $accountId, $state);
                $times = $event->isRepeating()
                    ? $event->between($today->plusDays(-self::BEHIND), $today->plusDays(self::AHEAD), new \DateTimeZone('UTC'))
                    : [new Occurrence($event, $event->fields()->time->key(), $event->fields()->time)];
                foreach ($times as $one) {
                    yield new Reminding($event->ref(), $one->time->begins, null, $event->reminders());
                }
            } catch (\Throwable $problem) {
                $this->logger->error('What an event reminds of cannot be read.', ['exception' => $problem]);
            }
        }
    }

    /**
     * One that is damaged reminds of nothing, and does not keep the others from it.
     *
     * @param callable(Row): (Reminding|null) $make
     */
    private function guarded(Row $row, callable $make): ?Reminding
    {
        try {
            return $make($row);
        } catch (\Throwable $problem) {
            $this->logger->error('What something reminds of cannot be read.', ['id' => $row->string('id'), 'exception' => $problem]);

            return null;
        }
    }

    public function lookedAt(AccountId $accountId): ?\DateTimeImmutable
    {
        $at = $this->orm->getConnection()->fetchOne('SELECT looked_at FROM look WHERE account_id = ?', [$accountId]);

        return \is_string($at) ? new \DateTimeImmutable($at) : null;
    }

    public function noteLook(AccountId $accountId, \DateTimeImmutable $now): void
    {
        $this->orm->getConnection()->executeStatement(
            'INSERT INTO look (account_id, looked_at) VALUES (?, ?) ON CONFLICT (account_id) DO UPDATE SET looked_at = excluded.looked_at',
            [$accountId, StoredNow::of($now)],
        );
    }

    public function withKeys(AccountId $accountId, array $keys): array
    {
        if ([] === $keys) {
            return [];
        }
        $rings = [];
        $ids = $this->orm->getConnection()->fetchFirstColumn(
            'SELECT id FROM ring WHERE account_id = ? AND key IN (SELECT value FROM json_each(?))',
            [$accountId, json_encode($keys, \JSON_THROW_ON_ERROR)],
        );
        foreach (array_chunk($ids, 500) as $some) {
            foreach ($this->orm->getRepository(Ring::class)->findBy(['id' => $some]) as $ring) {
                $rings[$ring->key] = $ring;
            }
        }

        return $rings;
    }

    public function add(Ring $ring): void
    {
        $this->orm->persist($ring);
    }

    public function get(AccountId $accountId, string $id): Ring
    {
        $ring = $this->orm->find(Ring::class, $id);

        return $ring?->accountId->is($accountId) ? $ring : throw new NotFound('reminder', $id);
    }

    /** @return list<Reminder> */
    private static function reminders(Row $row): array
    {
        /** @var list<ReminderState> $states */
        $states = $row->json('reminders');

        return array_map(Reminder::fromState(...), $states);
    }

    /** The moment at which a conversation comes back. */
    private static function return(Row $row): ?Due
    {
        [$until, $zone] = [$row->stringOrNull('away_until'), $row->stringOrNull('away_zone')];
        if (null === $until || null === $zone) {
            return null;
        }
        [$instant, $zone] = [new \DateTimeImmutable($until), Moment::zone($zone)];

        return Due::at(LocalDate::of($instant, $zone), TimeOfDay::of($instant, $zone), $zone);
    }
}

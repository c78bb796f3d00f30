<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use ZippyTray\Core\Agenda\Week\Figures;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Task\Clocks;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * Counts what a week came to, and gives what was kept of those before.
 *
 * @phpstan-import-type FiguresState from Figures
 */
final readonly class WeekFigures
{
    /** Seconds; a clearing that was left open has not lasted for days. */
    private const CLEARING = 4 * 3600;

    private const PUT_OFFS = [EntryKind::Snooze, EntryKind::PutOff, EntryKind::MoveReturn];

    /** Entries that stand, of a time. */
    private const ENTRIES = 'FROM journal_entry e WHERE e.account_id = :account AND e.done_at >= :from AND e.done_at < :until
        AND e.undone_by IS NULL AND e.kind IN (:kinds)';

    public function __construct(private Connection $connection)
    {
    }

    /** @param LocalDate $week its first day */
    public function count(Account $account, LocalDate $week): Figures
    {
        $midnight = TimeOfDay::parse('00:00');
        $of = [
            'account' => $account->id->text,
            'from' => StoredNow::of($week->at($midnight, $account->timeZone())),
            'until' => StoredNow::of($week->plusDays(7)->at($midnight, $account->timeZone())),
        ];
        $touched = $this->row('SELECT COUNT(*) n, CAST(TOTAL((SELECT COUNT(*) FROM conversation_touch x WHERE x.conversation_id = d.id))
            AS INTEGER) touches FROM (SELECT DISTINCT t.object_id id FROM (SELECT e.id '.self::ENTRIES.") e
            CROSS JOIN journal_touch t ON t.entry_id = e.id AND t.kind = 'conversation') d", $of, self::deciding());
        $tasks = $this->row('SELECT CAST(TOTAL(t.estimate) AS INTEGER) estimated, CAST(TOTAL((SELECT TOTAL('.Clocks::SECONDS.')
            FROM stretch s WHERE s.task_id = t.id AND s.ends IS NOT NULL)) AS INTEGER) took FROM task t WHERE t.account_id = :account
            AND t.completed_at >= :from AND t.completed_at < :until AND t.estimate > 0
            AND EXISTS (SELECT 1 FROM stretch s WHERE s.task_id = t.id AND s.ends IS NOT NULL)', $of);

        return new Figures(
            $this->decided($of),
            $touched->int('touches'),
            $touched->int('n'),
            array_sum(array_column($this->clearings($of), 'seconds')),
            $this->things($of, self::PUT_OFFS),
            $this->things($of, [EntryKind::CompleteTask]),
            $tasks->int('estimated'),
            $tasks->int('took'),
            $this->worked($of),
        );
    }

    /**
     * Counts weeks that are over and have not been, so that they are kept.
     *
     * @param LocalDate $week  the first day of the one that is not over
     * @param int       $weeks so many before it at the most
     *
     * @return int how many were counted
     */
    public function keep(Account $account, LocalDate $week, int $weeks): int
    {
        $known = array_column($this->kept($account, $week, $weeks), 'week');
        $counted = 0;
        for ($back = 1; $back <= $weeks; ++$back) {
            $past = $week->plusDays(-7 * $back);
            if (\in_array((string) $past, $known, true)) {
                continue;
            }
            $this->connection->executeStatement('INSERT OR IGNORE INTO week_figures (account_id, week, figures) VALUES (?, ?, ?)', [
                $account->id->text,
                (string) $past,
                json_encode($this->count($account, $past)->state(), \JSON_THROW_ON_ERROR),
            ]);
            ++$counted;
        }

        return $counted;
    }

    /**
     * @param LocalDate $before the first day of a week
     *
     * @return list<array{week: string, figures: Figures}> what was kept of those before, in order
     */
    public function kept(Account $account, LocalDate $before, int $weeks): array
    {
        return array_map(static function (array $columns): array {
            $row = new Row($columns);

            return ['week' => $row->string('week'), 'figures' => Figures::fromState($row->json('figures'))];
        }, $this->connection->fetchAllAssociative(
            'SELECT week, figures FROM week_figures WHERE account_id = ? AND week >= ? AND week < ? ORDER BY week',
            [$account->id->text, (string) $before->plusDays(-7 * $weeks), (string) $before],
        ));
    }

    /**
     * Conversations, as often as they were.
     *
     * @param array<string, string> $of account, and from which instant until which
     */
    public function decided(array $of): int
    {
        return $this->things($of, self::deciding());
    }

    /**
     * Seconds by the clock.
     *
     * @param array<string, string> $of likewise
     */
    public function worked(array $of): int
    {
        return $this->row('SELECT CAST(TOTAL('.Clocks::SECONDS.') AS INTEGER) n FROM stretch s WHERE s.account_id = :account
            AND s.begins >= :from AND s.begins < :until AND s.ends IS NOT NULL', $of)->int('n');
    }

    /**
     * From the beginning of each clearing until the last decision in it.
     *
     * @param array<string, string> $of account, and from which instant until which
     *
     * @return list<array{at: string, seconds: int}> at: when it began (RFC 3339); without those in which nothing was decided
     */
    public function clearings(array $of): array
    {
        $clearings = [];
        foreach ($this->connection->fetchAllAssociative(
            "SELECT c.started_at, CAST(strftime('%s', (SELECT e.done_at FROM journal_entry e
                WHERE e.account_id = c.account_id AND e.clearing_id = c.id ORDER BY e.number DESC LIMIT 1)) AS INTEGER)
                - CAST(strftime('%s', c.started_at) AS INTEGER) n
             FROM clearing c WHERE c.account_id = :account AND c.started_at >= :from AND c.started_at < :until",
            $of,
        ) as $columns) {
            $row = new Row($columns);
            if (null !== $columns['n']) {
                $clearings[] = ['at' => $row->string('started_at'), 'seconds' => max(0, min(self::CLEARING, $row->int('n')))];
            }
        }

        return $clearings;
    }

    /** @return list<EntryKind> */
    private static function deciding(): array
    {
        return array_values(array_filter(EntryKind::cases(), static fn (EntryKind $kind): bool => $kind->decides()));
    }

    /**
     * @param array<string, string> $of
     * @param list<EntryKind>       $kinds
     */
    private function things(array $of, array $kinds): int
    {
        return $this->row('SELECT CAST(TOTAL(COALESCE(e.things, 1)) AS INTEGER) n '.self::ENTRIES, $of, $kinds)->int('n');
    }

    /**
     * @param array<string, string> $of
     * @param list<EntryKind>       $kinds
     */
    private function row(string $query, array $of, array $kinds = []): Row
    {
        $parameters = [] === $kinds ? $of : $of + ['kinds' => array_map(static fn (EntryKind $kind): string => $kind->value, $kinds)];

        return new Row($this->connection->fetchAssociative($query, $parameters, ['kinds' => ArrayParameterType::STRING]) ?: []);
    }
}

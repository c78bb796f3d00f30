<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Read\Task\OpenTasks;
use ZippyTray\Server\Store\CountNow;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;
use ZippyTray\Server\Store\WhereNow;

/**
 * How much each view holds.
 */
final readonly class Counts
{
    public function __construct(
        private Connection $connection,
        private OpenTasks $tasks,
        private StoredNow $now,
        private ClockInterface $clock,
    ) {
    }

    public function of(Account $account): CountsView
    {
        [$accountId, $zone] = [$account->id, $account->timeZone()];
        $now = $this->now->text();
        [$tray, $away, $bin, $blocked] = array_map(CountNow::in(...), [Place::Tray, Place::Away, Place::Bin, Place::Blocked]);
        [$forClearing, $held] = array_map(CountNow::awayFor(...), [AwayReason::NextClearing, AwayReason::Held]);
        $first = static fn (string $of): string => "(SELECT MIN(c.away_until) FROM conversation c WHERE c.account_id = :account AND {$of}
            AND c.away_until GLOB '????-??-??T??:??:??Z')";
        $nextSession = $account->nextSession($this->clock->now());
        $columns = $this->connection->fetchAssociative(
            "SELECT {$tray} AS tray, {$away} AS away, {$forClearing} AS for_clearing, {$bin} AS bin, {$blocked} AS blocked, {$held} AS held,
                (SELECT COUNT(*) FROM conversation c WHERE c.account_id = :account AND ".WhereNow::PUT_AWAY.'
                    AND c.away_until <= :session AND c.called_back_by IS NOT NULL) AS called_back,
                '.$first(WhereNow::PUT_AWAY).' AS next_return, '.$first(WhereNow::HELD).' AS next_held',
            [
                'now' => $now,
                'account' => $accountId,
                'session' => null === $nextSession ? '' : StoredNow::of($nextSession->instant),
            ],
        );
        $row = new Row(false === $columns ? [] : $columns);
        $tasks = $this->tasks->counts($account);

        return new CountsView(
            $row->int('tray'),
            $tasks['open'],
            $tasks['over'],
            $row->int('away') - $row->int('held'),
            $row->int('for_clearing'),
            $row->int('held') + $row->int('called_back'),
            $row->int('bin'),
            $row->int('blocked'),
            $this->decidedToday($accountId, $zone),
            $this->count("SELECT COUNT(*) FROM owed WHERE account_id = ? AND state = 'open'", $accountId),
            $this->count("SELECT COUNT(*) FROM outgoing WHERE account_id = ? AND state = 'draft'", $accountId),
            $this->count("SELECT COUNT(*) FROM outgoing WHERE account_id = ? AND state IN ('failed', 'doubt')", $accountId),
            $this->count('SELECT COUNT(*) FROM left_out WHERE account_id = ?', $accountId),
            $row->stringOrNull('next_return'),
            $row->stringOrNull('next_held') ?? (null === $nextSession ? null : StoredNow::of($nextSession->instant)),
            $now,
        );
    }

    private function count(string $query, AccountId $accountId): int
    {
        $count = $this->connection->fetchOne($query, [$accountId]);

        return is_numeric($count) ? (int) $count : 0;
    }

    private function decidedToday(AccountId $accountId, \DateTimeZone $zone): int
    {
        $kinds = array_column(array_filter(EntryKind::cases(), static fn (EntryKind $kind): bool => $kind->decides()), 'value');
        $count = $this->connection->fetchOne(
            "SELECT COUNT(DISTINCT t.object_id) FROM journal_entry e CROSS JOIN journal_touch t ON t.entry_id = e.id
                AND t.kind = 'conversation'
             WHERE e.account_id = ? AND e.done_at >= ? AND e.undone_by IS NULL AND e.kind IN (?)",
            [$accountId, $this->now->startOfDay($zone), $kinds],
            [2 => ArrayParameterType::STRING],
        );

        return is_numeric($count) ? (int) $count : 0;
    }
}

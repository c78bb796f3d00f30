<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Task;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\Agenda\Clock\Stretch;
use ZippyTray\Core\Agenda\Experience;
use ZippyTray\Core\Agenda\Lasted;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * What the clock of tasks says: which one runs, how long somebody was at something, and what that says of their estimates.
 *
 * @phpstan-type Running array{id: string, task: string, title: string, begins: string, before: int}
 * @phpstan-type TimeSpent array{seconds: int, usual: string, stretches: list<array{id: string, begins: string, seconds: int, runs: bool}>}
 */
final readonly class Clocks
{
    /** So many stretches of one task are named, the newest first. */
    private const NAMED = 50;

    /** So far back one looks for what things usually take, and so many stretches at the most. */
    private const SINCE = '-1 year';

    private const BACK = 2000;

    /** How long it has lasted, for a query of a stretch s that has ended. */
    public const SECONDS = "(CAST(strftime('%s', s.ends) AS INTEGER) - CAST(strftime('%s', s.begins) AS INTEGER))";

    public function __construct(private Connection $connection, private ClockInterface $clock)
    {
    }

    /** Of the stretch whose clock runs; empty when none does. */
    public function runningId(Account $account): string
    {
        $id = $this->connection->fetchOne('SELECT id FROM stretch WHERE account_id = ? AND ends IS NULL', [$account->id->text]);

        return \is_string($id) ? $id : '';
    }

    /** @return Running|null before: seconds of earlier stretches */
    public function running(Account $account): ?array
    {
        $found = $this->connection->fetchAssociative(
            'SELECT id, task_id, title, begins FROM stretch WHERE account_id = ? AND ends IS NULL AND task_id IS NOT NULL',
            [$account->id->text],
        );
        if (false === $found) {
            return null;
        }
        $row = new Row($found);

        return [
            'id' => $row->string('id'),
            'task' => $row->string('task_id'),
            'title' => $row->string('title'),
            'begins' => $row->string('begins'),
            'before' => $this->seconds($account, $row->string('task_id')),
        ];
    }

    /** @return TimeSpent seconds: of all but what runs; usual: what such things usually take, in words, or empty */
    public function ofTask(Account $account, string $task, string $title, string $list): array
    {
        $now = $this->clock->now()->getTimestamp();
        $stretches = array_map(static function (array $columns) use ($now): array {
            $row = new Row($columns);
            $ends = $row->stringOrNull('ends');
            $lasted = (null === $ends ? $now : (new \DateTimeImmutable($ends))->getTimestamp())
                - (new \DateTimeImmutable($row->string('begins')))->getTimestamp();

            return [
                'id' => $row->string('id'),
                'begins' => $row->string('begins'),
                'seconds' => max(0, min($lasted, 60 * Stretch::LONGEST)),
                'runs' => null === $ends,
            ];
        }, $this->connection->fetchAllAssociative(
            'SELECT id, begins, ends FROM stretch WHERE task_id = ? AND account_id = ? ORDER BY begins DESC, id LIMIT '.self::NAMED,
            [$task, $account->id->text],
        ));

        return [
            'seconds' => $this->seconds($account, $task),
            'usual' => $this->experience($account)->text($title, new ListId($list)),
            'stretches' => $stretches,
        ];
    }

    /** What somebody's estimates are worth. */
    public function experience(Account $account): Experience
    {
        $seconds = self::SECONDS;
        $since = StoredNow::of($this->clock->now()->modify(self::SINCE));
        $lasted = [];
        foreach ($this->connection->iterateAssociative(
            "SELECT t.title, t.list_id, t.estimate, SUM(n.took) took FROM (
                SELECT s.task_id, {$seconds} took FROM stretch s
                WHERE s.account_id = ? AND s.begins >= ? AND s.task_id IS NOT NULL AND s.ends IS NOT NULL
                ORDER BY s.begins DESC LIMIT ".self::BACK.'
             ) n JOIN task t ON t.id = n.task_id WHERE t.completed_at IS NOT NULL AND t.estimate > 0
             GROUP BY t.id ORDER BY t.completed_at DESC, t.id',
            [$account->id->text, $since],
        ) as $columns) {
            $row = new Row($columns);
            $lasted[] = new Lasted(
                $row->string('title'),
                new ListId($row->string('list_id')),
                $row->int('estimate'),
                $row->int('took') / 60,
            );
        }
        foreach ($this->connection->iterateAssociative(
            "SELECT s.title, s.estimated, {$seconds} took FROM stretch s WHERE s.account_id = ? AND s.begins >= ?
             AND s.estimated IS NOT NULL AND s.ends IS NOT NULL ORDER BY s.begins DESC LIMIT ".self::BACK,
            [$account->id->text, $since],
        ) as $columns) {
            $row = new Row($columns);
            $lasted[] = new Lasted($row->string('title'), null, $row->int('estimated'), $row->int('took') / 60);
        }

        return new Experience($lasted);
    }

    /** Of what has ended. */
    private function seconds(Account $account, string $task): int
    {
        $total = $this->connection->fetchOne(
            'SELECT TOTAL('.self::SECONDS.') FROM stretch s WHERE s.task_id = ? AND s.account_id = ? AND s.ends IS NOT NULL',
            [$task, $account->id->text],
        );

        return is_numeric($total) ? (int) $total : 0;
    }
}

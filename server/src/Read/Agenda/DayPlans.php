<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Row;

/**
 * What somebody has made of days.
 *
 * @phpstan-type PlanOfDay array{keystone: string|null, laidOut: bool, closed: bool}
 */
final readonly class DayPlans
{
    public const NONE = ['keystone' => null, 'laidOut' => false, 'closed' => false];

    public function __construct(private Connection $connection)
    {
    }

    /** @return array<string, PlanOfDay> by day, those that there are; a keystone that was deleted is none */
    public function between(Account $account, LocalDate $from, LocalDate $until): array
    {
        $plans = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT p.day, t.id keystone, p.laid_out_at, p.closed_at FROM day_plan p
             LEFT JOIN task t ON t.id = p.keystone AND t.account_id = p.account_id
             WHERE p.account_id = ? AND p.day BETWEEN ? AND ?',
            [$account->id->text, (string) $from, (string) $until],
        ) as $columns) {
            $row = new Row($columns);
            $plans[$row->string('day')] = [
                'keystone' => $row->stringOrNull('keystone'),
                'laidOut' => null !== $row->stringOrNull('laid_out_at'),
                'closed' => null !== $row->stringOrNull('closed_at'),
            ];
        }

        return $plans;
    }

    /** The day before $day that was laid out last. */
    public function lastLaidOut(Account $account, LocalDate $day): ?LocalDate
    {
        $found = $this->connection->fetchOne(
            'SELECT MAX(day) FROM day_plan WHERE account_id = ? AND day < ? AND laid_out_at IS NOT NULL',
            [$account->id->text, (string) $day],
        );

        return \is_string($found) ? LocalDate::parse($found) : null;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use Doctrine\DBAL\Connection;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\Agenda\Event\EventTime;
use ZippyTray\Core\Agenda\Event\Occurrence;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Row;

/**
 * What takes place between two days, also in calendars of others that are shown.
 */
final readonly class EventsBetween
{
    public function __construct(private Connection $connection, private LoggerInterface $logger)
    {
    }

    /** @return list<Occurrence> those that take whole days first, then in order; what cannot be read is left out, and noted */
    public function __invoke(Account $account, LocalDate $from, LocalDate $until): array
    {
        $found = [];
        $zone = $account->timeZone();
        foreach ($this->connection->iterateAssociative(
            'SELECT id, state, NULL AS calendar, 1 AS busy FROM event
             WHERE account_id = :account AND repeats = 0 AND day BETWEEN :earliest AND :until AND last_day >= :from
             UNION ALL
             SELECT id, state, NULL, 1 FROM event
             WHERE account_id = :account AND repeats = 1 AND day <= :until AND (last_day IS NULL OR last_day >= :from)
             UNION ALL
             SELECT e.id, e.state, s.name, s.busy FROM subscribed_event e CROSS JOIN subscription s ON s.id = e.subscription_id
             WHERE e.account_id = :account AND e.repeats = 0 AND e.day BETWEEN :earliest AND :until AND e.last_day >= :from
             UNION ALL
             SELECT e.id, e.state, s.name, s.busy FROM subscribed_event e CROSS JOIN subscription s ON s.id = e.subscription_id
             WHERE e.account_id = :account AND e.repeats = 1 AND e.day <= :until AND (e.last_day IS NULL OR e.last_day >= :from)',
            [
                'account' => $account->id,
                'earliest' => (string) $from->plusDays(-EventTime::LONGEST - 3),
                'from' => (string) $from,
                'until' => (string) $until,
            ],
        ) as $columns) {
            $row = new Row($columns);
            try {
                array_push($found, ...SubscribedEvents::revived($account, $row)->between($from, $until, $zone));
            } catch (\Throwable $problem) {
                $this->logger->error('An event cannot be shown.', ['event' => $row->string('id'), 'exception' => $problem]);
            }
        }
        usort($found, static fn (Occurrence $one, Occurrence $other): int => [
            !$one->time->isWholeDays(),
            $one->time->seconds($zone),
            $one->key,
        ]
            <=> [!$other->time->isWholeDays(), $other->time->seconds($zone), $other->key]);

        return $found;
    }
}

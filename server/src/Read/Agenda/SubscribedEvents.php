<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Agenda;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\NotFound;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Row;

/**
 * Events of calendars of others. They are only looked at.
 *
 * @phpstan-import-type EventState from Event
 */
final readonly class SubscribedEvents
{
    public function __construct(private Connection $connection)
    {
    }

    /** @throws NotFound */
    public function get(Account $account, EventId $id): Event
    {
        $columns = $this->connection->fetchAssociative(
            'SELECT id, state, (SELECT name FROM subscription WHERE subscription.id = subscription_id) AS calendar,
                (SELECT busy FROM subscription WHERE subscription.id = subscription_id) AS busy
             FROM subscribed_event WHERE id = ? AND account_id = ?',
            [$id->text, $account->id->text],
        );

        return false === $columns ? throw new NotFound('event', $id->text) : self::revived($account, new Row($columns));
    }

    /** @param Row $row id, state, calendar (null: it is the person's own) and busy */
    public static function revived(Account $account, Row $row): Event
    {
        /** @var EventState $state */
        $state = $row->json('state');
        $calendar = $row->stringOrNull('calendar');
        if (null !== $calendar && !$row->bool('busy')) {
            $state['fields']['busy'] = false;
        }

        return Event::revived(new EventId($row->string('id')), $account->id, $state, $calendar);
    }
}

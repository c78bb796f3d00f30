<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar\Subscription;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use ZippyTray\Core\Agenda\Subscription\CalendarAddress;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Seal;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * Calendars of others that are shown among somebody's days. What they hold is no part of the agenda: it is read again, and goes with them.
 */
final readonly class Subscriptions
{
    /** Of one person. */
    public const MOST = 20;

    public function __construct(private Connection $connection, private StoredNow $now)
    {
    }

    /** @return list<Subscription> by name */
    public function of(Account $account): array
    {
        $now = $this->now->text();

        return array_map(static function (array $columns) use ($now): Subscription {
            $row = new Row($columns);
            /** @var list<string> $left */
            $left = json_decode($row->string('left_out'), true, flags: \JSON_THROW_ON_ERROR);

            return new Subscription(
                $row->string('id'),
                $row->string('name'),
                $row->string('host'),
                1 === $row->int('busy'),
                $row->int('events'),
                $row->stringOrNull('read_at'),
                $row->stringOrNull('problem'),
                $left,
                $row->string('next_at') <= $now,
            );
        }, $this->connection->fetchAllAssociative(
            'SELECT id, name, host, busy, events, read_at, problem, left_out, next_at FROM subscription WHERE account_id = ?
             ORDER BY name COLLATE NOCASE, id',
            [$account->id->text],
        ));
    }

    /**
     * @param string $name empty: as it calls itself
     *
     * @throws Refused when it is there already, or there are too many
     */
    public function add(Account $account, string $id, #[\SensitiveParameter] CalendarAddress $address, string $name, bool $busy): void
    {
        $count = $this->connection->fetchOne('SELECT count(*) FROM subscription WHERE account_id = ?', [$account->id->text]);
        if (is_numeric($count) && $count >= self::MOST) {
            throw new Refused(\sprintf('%d calendars can be read. Take one away first.', self::MOST), 'address');
        }
        try {
            $this->connection->insert('subscription', [
                'id' => $id,
                'account_id' => $account->id->text,
                'name' => '' === $name ? $address->host : $name,
                'named' => '' === $name ? 0 : 1,
                'host' => $address->host,
                'address' => Seal::close($address->url),
                'hash' => hash('sha256', $address->url),
                'busy' => (int) $busy,
                'made_at' => $this->now->text(),
                'next_at' => $this->now->text(),
            ]);
        } catch (UniqueConstraintViolationException) {
            throw new Refused('This calendar is read already.', 'address');
        }
    }

    /** @throws NotFound */
    public function change(Account $account, string $id, string $name, bool $busy): void
    {
        $this->one($account, 'UPDATE subscription SET name = :name, named = 1, busy = :busy WHERE id = :id AND account_id = :account', [
            'id' => $id,
            'name' => $name,
            'busy' => (int) $busy,
        ]);
    }

    /**
     * It is read as soon as can be.
     *
     * @throws NotFound
     */
    public function wish(Account $account, string $id): void
    {
        $this->one($account, 'UPDATE subscription SET next_at = :now WHERE id = :id AND account_id = :account', [
            'id' => $id,
            'now' => $this->now->text(),
        ]);
    }

    /** @throws NotFound */
    public function remove(Account $account, string $id): void
    {
        $this->one($account, 'DELETE FROM subscription WHERE id = :id AND account_id = :account', ['id' => $id]);
    }

    /**
     * @param array<string, string|int> $parameters
     *
     * @throws NotFound
     */
    private function one(Account $account, string $statement, array $parameters): void
    {
        if (1 !== $this->connection->executeStatement($statement, $parameters + ['account' => $account->id->text])) {
            throw new NotFound('calendar', (string) $parameters['id']);
        }
    }
}

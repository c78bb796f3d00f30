<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Connection;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\View\Row;

/**
 * Whom the person has written to, and who has written to them.
 */
final readonly class People
{
    public function __construct(private Connection $connection)
    {
    }

    /**
     * @param string $words beginnings of words of the name or the address; empty for any
     *
     * @return list<array{name: string, email: string, received: int, sent: int, lastAt: string}> whom one writes to most and last first, then the others; not the person, nor machines that read no answers
     */
    public function known(Account $account, string $words, int $count): array
    {
        $wanted = preg_split('/[\s,;<>"]+/u', mb_strtolower(trim($words)), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        $found = [];
        foreach ($this->all($account) as $person) {
            if (self::matches($wanted, $person['name'].' '.$person['email'])) {
                $found[] = $person;
            }
            if (\count($found) === $count) {
                break;
            }
        }

        return $found;
    }

    /** @return array{name: string, email: string, received: int, sent: int, lastAt: string}|null */
    public function one(Account $account, string $email): ?array
    {
        foreach ($this->all($account) as $person) {
            if ($person['email'] === mb_strtolower($email)) {
                return $person;
            }
        }

        return null;
    }

    /** @return list<array{name: string, email: string, received: int, sent: int, lastAt: string}> */
    private function all(Account $account): array
    {
        $rows = $this->connection->fetchAllAssociative(
            "WITH met AS (
                SELECT LOWER(sender ->> 'email') AS email, sender ->> 'name' AS name, sent_at, 0 AS is_sent FROM message WHERE account_id = :account AND NOT own
                UNION ALL
                SELECT LOWER(j.value ->> 'email'), j.value ->> 'name', m.sent_at, 1 FROM message m, json_each(m.recipients) j WHERE m.account_id = :account AND m.own
            )
            SELECT email, SUM(is_sent) AS sent, SUM(NOT is_sent) AS received, MAX(sent_at) AS last_at,
                COALESCE((SELECT n.name FROM met n WHERE n.email = met.email AND n.name <> '' AND n.name NOT LIKE '%@%' ORDER BY n.sent_at DESC LIMIT 1), '') AS name
            FROM met WHERE email LIKE '%_@_%' AND email <> LOWER(:own)
            GROUP BY email ORDER BY sent > 0 DESC, sent DESC, last_at DESC, email",
            ['account' => $account->id, 'own' => $account->email],
        );

        return array_map(static function (array $columns): array {
            $row = new Row($columns);

            return ['name' => $row->string('name'), 'email' => $row->string('email'), 'received' => $row->int('received'), 'sent' => $row->int('sent'), 'lastAt' => $row->string('last_at')];
        }, $rows);
    }

    /** @param list<string> $wanted */
    private static function matches(array $wanted, string $in): bool
    {
        $words = preg_split('/[\s.@_+-]+/u', mb_strtolower($in)) ?: [];
        foreach ($wanted as $word) {
            if (!str_contains(mb_strtolower($in), $word) || ([] === array_filter($words, static fn (string $one): bool => str_starts_with($one, $word)) && !str_contains($word, '@') && !str_contains($word, '.'))) {
                return false;
            }
        }

        return true;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\People;

use Doctrine\DBAL\Connection;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\PeopleIndex;
use ZippyTray\Server\Store\Row;

/**
 * Whom the person has written to, and who has written to them (PeopleIndex).
 *
 * @phpstan-type KnownPerson array{name: string, email: string, received: int, sent: int, lastAt: string}
 */
final readonly class People
{
    private const COLUMNS = 'SELECT p.email, p.name, p.received, p.sent, p.last_at FROM person p';

    public function __construct(private Connection $connection)
    {
    }

    /**
     * @param string $words beginnings of words of the name or the address; empty for any
     *
     * @return list<KnownPerson> whom one writes to most and last first, then the others; not the person, by whatever address
     */
    public function known(Account $account, string $words, int $count): array
    {
        [$query, $parameters] = self::query($account, $words, $count);

        return array_map(self::view(...), $this->connection->fetchAllAssociative($query, $parameters));
    }

    /** @return array{string, array<string, string|int>} what known() asks */
    public static function query(Account $account, string $words, int $count): array
    {
        $where = ['p.account_id = :account'];
        $parameters = ['account' => $account->id->text, 'count' => $count];
        foreach ($account->person()->addresses() as $number => $own) {
            $where[] = "p.email <> :own{$number}";
            $parameters['own'.$number] = strtolower($own);
        }
        foreach (\array_slice(
            preg_split('/[\s,;<>"]+/u', mb_strtolower(mb_scrub(trim($words))), -1, \PREG_SPLIT_NO_EMPTY) ?: [],
            0,
            8,
        ) as $number => $wanted) {
            // A part of an address is looked for as it is; the words in it narrow where.
            $parts = PeopleIndex::words($wanted);
            $where[] = [] === $parts ? '0' : '1';
            foreach ($parts as $part => $word) {
                $name = 'w'.$number.'_'.$part;
                $where[] = "p.email IN (SELECT w.email FROM person_word w WHERE w.account_id = :account AND w.word >= :{$name} AND "
                    ."w.word < :{$name}_end)";
                $parameters += [$name => $word, $name.'_end' => $word."\u{10FFFF}"];
            }
            if (1 === preg_match('/[.@]/', $wanted)) {
                $where[] = "INSTR(LOWER(p.name || ' ' || p.email), :part{$number}) > 0";
                $parameters['part'.$number] = $wanted;
            }
        }

        return [
            self::COLUMNS.' WHERE '.implode(' AND ', $where).' ORDER BY p.sent DESC, p.last_at DESC, p.email LIMIT :count',
            $parameters,
        ];
    }

    /** @return KnownPerson|null */
    public function one(Account $account, string $email): ?array
    {
        $columns = $this->connection->fetchAssociative(
            self::COLUMNS.' WHERE p.account_id = ? AND p.email = ?',
            [$account->id, strtolower($email)],
        );

        return false === $columns ? null : self::view($columns);
    }

    /**
     * @param array<string, mixed> $columns
     *
     * @return KnownPerson
     */
    private static function view(array $columns): array
    {
        $row = new Row($columns);

        return [
            'name' => $row->string('name'),
            'email' => $row->string('email'),
            'received' => $row->int('received'),
            'sent' => $row->int('sent'),
            'lastAt' => $row->string('last_at'),
        ];
    }
}

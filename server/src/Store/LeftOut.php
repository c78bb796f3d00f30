<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\AccountId;

/**
 * What has come for somebody and could not be taken in.
 */
final readonly class LeftOut
{
    /** So many are told of. */
    private const MOST = 100;

    public function __construct(private Connection $connection, private StoredNow $now)
    {
    }

    /**
     * @param string $name    of the file or message
     * @param string $problem a sentence for the person
     */
    public function note(AccountId $accountId, string $way, string $name, string $problem): void
    {
        $this->connection->executeStatement(
            'INSERT INTO left_out (account_id, way, name, problem, left_at) VALUES (?, ?, ?, ?, ?) ON CONFLICT (account_id, way, name) DO '
                .'UPDATE SET problem = excluded.problem',
            [$accountId, $way, mb_strcut(mb_scrub($name), 0, 500), $problem, $this->now->text()],
        );
    }

    /** @return list<array{name: string, problem: string, at: string}> the newest first */
    public function of(AccountId $accountId): array
    {
        return array_map(static function (array $columns): array {
            $row = new Row($columns);

            return ['name' => $row->string('name'), 'problem' => $row->string('problem'), 'at' => $row->string('left_at')];
        }, $this->connection->fetchAllAssociative('SELECT name, problem, left_at FROM left_out WHERE account_id = ? ORDER BY id DESC '
            .'LIMIT '.self::MOST, [$accountId]));
    }

    /** Somebody has seen them. */
    public function forget(AccountId $accountId): void
    {
        $this->connection->executeStatement('DELETE FROM left_out WHERE account_id = ?', [$accountId]);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Store;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception as DatabaseProblem;
use ZippyTray\Server\DataFolder;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * Statements are kept prepared; nobody notices.
 */
final class KeptStatementTest extends ApiTestCase
{
    private const NUMBERS = 'SELECT value FROM json_each(?) ORDER BY value';

    public function testTheSameIsReadWithinItself(): void
    {
        $connection = $this->service(Connection::class);
        $seen = [];
        foreach ($connection->iterateColumn(self::NUMBERS, ['[1,2]']) as $outer) {
            foreach ($connection->iterateColumn(self::NUMBERS, ['[3,4]']) as $inner) {
                $seen[] = [$outer, $inner];
            }
        }
        self::assertSame([[1, 3], [1, 4], [2, 3], [2, 4]], $seen);
        self::assertSame([5], $connection->fetchFirstColumn(self::NUMBERS, ['[5]']));
    }

    public function testWhatIsReadInPartHoldsNothing(): void
    {
        $connection = $this->service(Connection::class);
        $sql = 'SELECT number FROM mail_mark WHERE account_id = ? UNION ALL SELECT 0';
        self::assertSame(0, $connection->fetchOne($sql, ['a']));
        $other = new \PDO('sqlite:'.DataFolder::path().'/zippy-tray.sqlite');
        $other->exec("INSERT INTO mail_mark (account_id, number) VALUES ('a', 7)");
        self::assertSame(7, $connection->fetchOne($sql, ['a']));
        $row = $other->query('PRAGMA wal_checkpoint(TRUNCATE)');
        self::assertNotFalse($row);
        self::assertSame([0, 0, 0], $row->fetch(\PDO::FETCH_NUM), 'Nobody reads an older state.');
    }

    public function testAfterAFailureItIsPreparedAnew(): void
    {
        $connection = $this->service(Connection::class);
        $connection->executeStatement('PRAGMA busy_timeout=20');
        $id = $this->account()->id;
        $other = new \PDO('sqlite:'.DataFolder::path().'/zippy-tray.sqlite');
        $write = static fn (): int|string => $connection->executeStatement(
            'UPDATE mail_mark SET number = number + 1 WHERE account_id = ?',
            [$id],
        );
        $connection->insert('mail_mark', ['account_id' => $id, 'number' => 1]);
        $other->exec('BEGIN IMMEDIATE');
        foreach ([1, 2] as $time) {
            try {
                $write();
                self::fail('It is locked.');
            } catch (DatabaseProblem) {
                self::assertSame(1, $connection->fetchOne('SELECT number FROM mail_mark'), "time {$time}");
            }
        }
        $other->exec('ROLLBACK');
        $connection->transactional(static fn (): mixed => $connection->transactional($write));
        self::assertSame(2, $connection->fetchOne('SELECT number FROM mail_mark'));
    }
}

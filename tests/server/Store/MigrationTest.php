<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Store;

use Doctrine\DBAL\Connection;
use Doctrine\Migrations\DependencyFactory;
use Doctrine\Migrations\MigratorConfiguration;
use Doctrine\Migrations\Version\Version;
use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\DataProvider;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\DataFolder;
use ZippyTray\Server\Migrations\Version20261124000000;
use ZippyTray\Server\Migrations\Version20261125000000;
use ZippyTray\Server\Store\Schema;
use ZippyTray\Server\Store\SqliteDriver;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * A database that an older version of the program has written goes on: nothing in it is lost, and what was done then
 * can still be undone.
 */
final class MigrationTest extends ApiTestCase
{
    /** @return iterable<string, array{class-string, array<string, bool|null>}> the version, what it knew of a conversation besides the first one's fields */
    public static function versions(): iterable
    {
        yield 'the first' => [Version20261124000000::class, []];
        yield 'before tasks in full' => [Version20261125000000::class, ['owedBy' => null, 'owedWhat' => null, 'muted' => false, 'decidedAt' => null, 'decidedAs' => null]];
    }

    /**
     * @param class-string             $version
     * @param array<string, bool|null> $more
     */
    #[DataProvider('versions')]
    public function testWhatWasDoneInAnOlderVersionIsThereAndCanBeUndone(string $version, array $more): void
    {
        $connection = $this->begin($version);
        [$account, $conversation] = [self::id(), self::id()];
        $connection->insert('account', ['id' => $account, 'email' => 'wren@ternpoint.example', 'name' => 'Wren Halloran', 'zone' => 'Europe/Dublin', 'password' => 'x', 'created_at' => '2026-11-01T08:00:00Z']);
        $connection->insert('conversation', ['id' => $conversation, 'account_id' => $account, 'place' => 'away', 'away_until' => '2099-01-01T09:00:00Z', 'away_zone' => 'Europe/Dublin', 'away_reason' => 'snooze', 'snoozes' => 1, 'unread' => 0, 'subject' => 'Lantern glass', 'latest_name' => 'Tam', 'latest_email' => 'tam@glass.example', 'excerpt' => '', 'latest_at' => '2026-11-02T08:00:00Z', 'messages' => 1, 'attachments' => 0]);
        $before = ['place' => 'tray', 'awayUntil' => null, 'awayZone' => null, 'awayReason' => null, 'binnedAt' => null, 'snoozes' => 0] + $more;
        $after = array_replace($before, ['place' => 'away', 'awayUntil' => '2099-01-01T09:00:00+00:00', 'awayZone' => 'Europe/Dublin', 'awayReason' => 'snooze', 'snoozes' => 1]);
        $this->entry($connection, $account, 1, 'snooze', 'conversation', $conversation, $before, $after);

        [$list, $task] = [self::id(), self::id()];
        $connection->insert('task_list', ['id' => $list, 'account_id' => $account, 'name' => 'Supplies']);
        $made = ['createdAt' => '2026-11-02T08:00:00+00:00', 'title' => 'Order polish', 'notes' => 'Two tins', 'list' => $list, 'due' => ['date' => '2099-01-02', 'time' => null, 'zone' => null], 'sources' => [], 'completedAt' => null];
        $connection->insert('task', ['id' => $task, 'account_id' => $account, 'created_at' => '2026-11-02T08:00:00Z', 'title' => 'Order polish', 'notes' => 'Two tins', 'list_id' => $list, 'due_date' => '2099-01-02', 'sources' => '[]']);
        $this->entry($connection, $account, 2, 'make_task', 'task', $task, null, $made);
        $this->service(Schema::class)->bringUpToDate();
        $this->signIn($this->service(EntityManagerInterface::class)->find(Account::class, $account));

        self::assertSame(['Lantern glass'], array_column($this->away(), 'subject'));
        $sheet = $this->call('GET', '/tasks/'.$task);
        self::assertIsArray($sheet['row']);
        self::assertSame(['Order polish', ['date' => '2099-01-02', 'time' => null], 'normal'], [$sheet['row']['title'], $sheet['row']['due'], $sheet['row']['priority']]);
        foreach ([2, 1] as $number) {
            $this->undo(['id' => $this->entryId($number)]);
        }
        self::assertSame(['Lantern glass'], array_column($this->rows('/tray'), 'subject'));
        $this->call('GET', '/tasks/'.$task, status: 404);
    }

    /** An empty database as that version made it. */
    private function begin(string $version): Connection
    {
        foreach (['', '-wal', '-shm'] as $ending) {
            @unlink(DataFolder::path().'/zippy-tray.sqlite'.$ending);
        }
        @unlink(DataFolder::path().'/'.SqliteDriver::MADE);
        $connection = $this->service(Connection::class);
        $connection->close();
        $factory = self::getContainer()->get('doctrine.migrations.dependency_factory');
        self::assertInstanceOf(DependencyFactory::class, $factory);
        $factory->getMetadataStorage()->ensureInitialized();
        $connection->transactional(static fn (): array => $factory->getMigrator()->migrate($factory->getMigrationPlanCalculator()->getPlanUntilVersion(new Version($version)), new MigratorConfiguration()));

        return $connection;
    }

    /**
     * @param array<string, mixed>|null $before
     * @param array<string, mixed>      $after
     */
    private function entry(Connection $connection, string $account, int $number, string $kind, string $object, string $id, ?array $before, array $after): void
    {
        $entry = self::id();
        $changes = [['kind' => $object, 'id' => $id, 'before' => $before, 'after' => $after]];
        $connection->insert('journal_entry', ['id' => $entry, 'account_id' => $account, 'number' => $number, 'done_at' => '2026-11-02T09:00:00Z', 'kind' => $kind, 'about' => 'It', 'consequence' => '', 'changes' => json_encode($changes, \JSON_THROW_ON_ERROR)]);
        $connection->insert('journal_touch', ['entry_id' => $entry, 'kind' => $object, 'object_id' => $id]);
    }

    private function entryId(int $number): string
    {
        $id = $this->service(Connection::class)->fetchOne('SELECT id FROM journal_entry WHERE number = ?', [$number]);

        return \is_string($id) ? $id : throw new \OutOfBoundsException('no entry '.$number);
    }
}

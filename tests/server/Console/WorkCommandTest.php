<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Console;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

/**
 * The worker as the process that it is: twice at once, killed, begun anew.
 */
final class WorkCommandTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/zippy-tray-work-'.getmypid();
        (new Filesystem())->mkdir($this->folder);
        $this->console('data:prepare')->mustRun();
        $this->sql(
            "INSERT INTO account (id, email, name, zone, password, created_at) VALUES ('a', 'wren@ternpoint.example', 'Wren', "
                ."'Europe/Dublin', '', '2026-01-01T00:00:00Z')",
        );
    }

    protected function tearDown(): void
    {
        (new Filesystem())->remove($this->folder);
    }

    public function testChoresAreDoneOnceHoweverOftenItIsBegun(): void
    {
        $this->sql('INSERT INTO conversation (id, account_id, place, binned_at, snoozes, unread, subject, latest_name, latest_email, '
            ."excerpt, latest_at, messages, attachments) VALUES
            ('old', 'a', 'bin', '2026-01-01T00:00:00Z', 0, 0, 'Old', '', '', '', '2026-01-01T00:00:00Z', 0, 0),
            ('new', 'a', 'bin', '2126-01-01T00:00:00Z', 0, 0, 'New', '', '', '', '2026-01-01T00:00:00Z', 0, 0)");
        $this->sql(
            "INSERT INTO file (id, account_id, name, type, size, added_at) VALUES ('loose', 'a', 'x', 'text/plain', 1, "
                ."'2026-01-01T00:00:00Z'), ('kept', 'a', 'x', 'text/plain', 1, '2026-01-01T00:00:00Z')",
        );
        $this->sql("INSERT INTO task_list (id, account_id, name) VALUES ('l', 'a', 'Roof')");
        $this->sql(
            "INSERT INTO task (id, account_id, created_at, title, notes, list_id, sources, files) VALUES ('t', 'a', "
                ."'2026-01-01T00:00:00Z', 'T', '', 'l', '[]', '[\"kept\"]')",
        );

        $first = $this->console('data:work', '--once');
        $first->mustRun();
        self::assertSame(7, substr_count($first->getErrorOutput(), 'Done: '), $first->getErrorOutput());
        self::assertSame(['new'], $this->column('SELECT id FROM conversation'));
        self::assertSame(['kept'], $this->column('SELECT id FROM file'));
        self::assertSame(['empty_bin'], $this->column('SELECT kind FROM journal_entry'));

        $again = $this->console('data:work', '--once');
        $again->mustRun();
        self::assertSame('', $again->getErrorOutput());
    }

    public function testOneWorksAtATimeAndItsLockEndsWithIt(): void
    {
        $first = $this->console('data:work');
        $first->start();
        $first->waitUntil(static fn (string $type, string $output): bool => str_contains($output, 'tidy-database'));
        $second = $this->console('data:work', '--once');
        $second->mustRun();
        self::assertSame("Another worker is at it already.\n", $second->getErrorOutput());
        $first->signal(9);
        $first->wait();
        $third = $this->console('data:work', '--once');
        $third->mustRun();
        self::assertSame('', $third->getErrorOutput());
    }

    public function testItEndsWhenItIsAskedTo(): void
    {
        $work = $this->console('data:work');
        $work->start();
        $work->waitUntil(static fn (string $type, string $output): bool => str_contains($output, 'tidy-database'));
        $work->signal(15);
        $work->wait();
        self::assertSame(0, $work->getExitCode());
    }

    private function console(string ...$command): Process
    {
        return new Process(
            [\PHP_BINARY, \dirname(__DIR__, 3).'/server/console.php', ...$command],
            $this->folder,
            ['ZIPPY_DATA' => $this->folder.'/data', 'APP_ENV' => 'test', 'ZIPPY_DEMO' => '0', 'ZIPPY_STRICT' => '1'],
            timeout: 120,
        );
    }

    private function sql(string $statement): void
    {
        $this->database()->exec($statement);
    }

    /** @return list<mixed> */
    private function column(string $query): array
    {
        $result = $this->database()->query($query);
        self::assertInstanceOf(\PDOStatement::class, $result);

        return array_values($result->fetchAll(\PDO::FETCH_COLUMN));
    }

    private function database(): \PDO
    {
        return new \PDO('sqlite:'.$this->folder.'/data/zippy-tray.sqlite', options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
    }
}

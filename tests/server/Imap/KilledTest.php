<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Imap;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\DataProvider;
use Psr\Container\ContainerInterface;
use ZippyTray\Server\Kernel;
use ZippyTray\Server\Mailroom\Imap\ImapConnection;
use ZippyTray\Server\Mailroom\Imap\Listed;
use ZippyTray\Server\Mailroom\InStep\KeepInStep;
use ZippyTray\Server\Mailroom\InStep\ServerBoxes;

/**
 * The worker is killed again and again, at any step, while mail comes in and is decided here and there. Afterwards server and program hold
 * the same messages, each once, in the right place.
 */
final class KilledTest extends MailboxTestCase
{
    private const FOLDERS = ['tray' => 'INBOX', 'archive' => 'Archive', 'away' => 'Away', 'bin' => 'Trash'];

    /** @return iterable<string, array{int, list<string>}> */
    public static function servers(): iterable
    {
        $kills = (int) (getenv('ZIPPY_MAIL_KILLS') ?: 300);
        yield 'a server that can do all' => [intdiv($kills * 2, 3), []];
        yield 'one without MOVE and QRESYNC' => [intdiv($kills, 3), ['MOVE', 'QRESYNC', 'CONDSTORE']];
    }

    /** @param list<string> $without */
    #[DataProvider('servers')]
    public function testNothingIsLostOrDoubled(int $kills, array $without): void
    {
        $dovecot = [] === $without ? self::dovecot() : self::serve($without);
        $proxy = CuttingProxy::before($dovecot->port);
        try {
            $this->connect($dovecot, $proxy);
            $sent = [];
            foreach (range(1, 12) as $number) {
                $this->there("Letter {$number}", "first{$number}@glass.example");
                $sent[] = "first{$number}";
            }
            mt_srand(18);
            $killed = 0;
            for ($round = 0; $killed < $kills; ++$round) {
                self::assertLessThan(3 * $kills, $round, 'Most of them are at work when they are killed.');
                if (0 === $round % 5) {
                    $this->there("More {$round}", "more{$round}@glass.example");
                    $sent[] = "more{$round}";
                }
                $this->decideSomething();
                0 === $round % 3 && $this->moveSomething($this->other());
                $killed += $this->killWorkerAt($proxy, mt_rand(1, 20), 1 === mt_rand(0, 1)) ? 1 : 0;
            }
            $proxy->passAll();
            for ($time = 0; $time < 4; ++$time) {
                $this->inStep();
            }
            $this->assertInStep($sent);
        } finally {
            $proxy->stop();
            [] === $without || self::endServing($dovecot);
        }
    }

    private function decideSomething(): void
    {
        foreach ($this->rows('/tray') as $row) {
            if (0 === mt_rand(0, 4)) {
                $kind = ['archive', 'delete', 'snooze'][mt_rand(0, 2)];
                $this->decide($kind, [self::text($row['id'])], 'snooze' === $kind ? ['phrase' => 'in 3 days'] : null);
            }
        }
        $entries = (array) $this->call('GET', '/journal')['entries'];
        $entry = (array) ($entries[mt_rand(0, 3)] ?? []);
        if (0 === mt_rand(0, 2) && true === ($entry['undoable'] ?? null)) {
            $this->browser->request(
                'POST',
                '/api/journal/'.self::text($entry['id'] ?? null).'/undo',
                [],
                [],
                ['CONTENT_TYPE' => 'application/json'],
                (string) json_encode(['id' => self::id()]),
            );
        }
    }

    /** Something that is here already: what is deleted there before it was ever seen here does not come in at all. */
    private function moveSomething(ImapConnection $there): void
    {
        $validity = $this->validity($there, 'INBOX');
        $known = array_map(static fn (mixed $header): string => self::text($header), $this->column('SELECT message_header FROM message'));
        $listed = $there->some('INBOX', $validity, $there->uids('INBOX', $validity));
        $listed = array_values(array_filter($listed, static fn (Listed $one): bool => \in_array($one->header, $known, true)));
        if (\count($listed) > 3) {
            $one = $listed[mt_rand(0, \count($listed) - 1)];
            $there->move('INBOX', $validity, $one->uid, ['Archive', 'Trash'][mt_rand(0, 1)]);
        }
    }

    /**
     * @param int  $command the how manieth of what the worker says to the server
     * @param bool $isDone  whether the server still does it
     *
     * @return bool whether it was at work
     */
    private function killWorkerAt(CuttingProxy $proxy, int $command, bool $isDone): bool
    {
        $this->service(EntityManagerInterface::class)->clear();
        $this->service(Connection::class)->close();
        $child = pcntl_fork();
        if (0 === $child) {
            // Nothing of the test goes on here: this ends only by being killed.
            try {
                usleep(10_000);
                $kernel = new Kernel('test', false);
                $kernel->boot();
                $services = $kernel->getContainer()->get('test.service_container');
                self::assertInstanceOf(ContainerInterface::class, $services);
                $boxes = $services->get(ServerBoxes::class);
                $boxes instanceof ServerBoxes && $boxes->lookNow($this->wren);
                $inStep = $services->get(KeepInStep::class);
                $inStep instanceof KeepInStep && $inStep(static fn (): bool => false);
            } catch (\Throwable $problem) {
                fwrite(\STDERR, $problem->getMessage()."\n".$problem->getTraceAsString());
            }
            posix_kill(posix_getpid(), \SIGTERM);
            exit(1);
        }
        $proxy->cutAt($command, $isDone, $child);
        pcntl_waitpid($child, $status);

        return \is_int($status) && pcntl_wifsignaled($status) && \SIGKILL === pcntl_wtermsig($status);
    }

    /** @param list<string> $sent */
    private function assertInStep(array $sent): void
    {
        $lies = [];
        foreach ($this->lies() as $one) {
            [$folder, $id] = explode(' ', $one);
            $lies[$id][] = $folder;
        }
        $here = $this->service(Connection::class)->fetchAllKeyValue(
            "SELECT REPLACE(m.message_header, '@glass.example', ''), v.place
             FROM message m JOIN conversation_message c ON c.message_id = m.id
             JOIN conversation v ON v.id = c.conversation_id",
        );
        $should = [];
        foreach ($here as $id => $place) {
            // What was archived there while it was put away here lies in the archive until its day (docs/mailbox.md).
            $isArchivedToo = 'away' === $place && ['Archive'] === ($lies[$id] ?? []);
            $should[$id] = [$isArchivedToo ? 'Archive' : self::FOLDERS[self::text($place)] ?? 'nowhere'];
        }
        sort($sent);
        ksort($should);
        ksort($lies);
        self::assertSame($sent, array_keys($should), 'Each message is here, once.');
        self::assertSame($should, $lies, 'Each message is there, once, where it belongs.');
        self::assertSame(0, $this->number('SELECT COUNT(*) FROM server_wish'));
        self::assertSame([], $this->service(Connection::class)->fetchAllAssociative(
            'SELECT c.*, f.name FROM server_copy c LEFT JOIN server_folder f ON f.id = c.folder_id WHERE c.header IN (
                SELECT header FROM server_copy GROUP BY header HAVING COUNT(*) > 1)',
        ), 'Each is noted once.');
    }
}

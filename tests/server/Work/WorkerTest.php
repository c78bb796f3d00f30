<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Work;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\NullLogger;
use Symfony\Component\Clock\MockClock;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Post\AnswerKind;
use ZippyTray\Core\Post\KeepDrafts;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Server\Clock\ProgramClock;
use ZippyTray\Server\Store\Files;
use ZippyTray\Server\Work\Chore;
use ZippyTray\Server\Work\LongChore;
use ZippyTray\Server\Work\LooseFiles;
use ZippyTray\Server\Work\OldRings;
use ZippyTray\Server\Work\Worker;
use ZippyTray\Tests\Server\ApiTestCase;

final class WorkerTest extends ApiTestCase
{
    private MockClock $clock;

    /** @var list<string> what was done, in order */
    private array $log = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->clock = new MockClock('2026-11-24T10:00:00Z');
    }

    public function testWhatIsDueIsDoneOnceHoweverOftenItBeginsAnew(): void
    {
        $chores = [$this->chore('hourly', 3600), $this->chore('daily', 86400)];
        self::assertSame(['hourly' => true, 'daily' => true], $this->round($chores));
        self::assertSame([], $this->round($chores), 'Begun anew, it knows what was done.');
        $this->clock->modify('+59 minutes');
        self::assertSame([], $this->round($chores));
        $this->clock->modify('+1 minute');
        self::assertSame(['hourly' => true], $this->round($chores));
        $this->clock->modify('+30 days');
        self::assertSame(
            ['hourly' => true, 'daily' => true],
            $this->round($chores),
            'Asleep for a month: once, not as often as was missed.',
        );
        $this->clock->modify('-2 days');
        self::assertSame(['hourly' => true, 'daily' => true], $this->round($chores), 'A clock that was set back makes everything due.');
        self::assertCount(7, $this->log);
    }

    public function testOneThatFailsLeavesNothingHalfDoneAndTheOthersAlone(): void
    {
        $connection = $this->service(Connection::class);
        $chores = [
            $this->chore('failing', 3600, static function () use ($connection): void {
                $connection->executeStatement("INSERT INTO look (account_id, looked_at) SELECT id, '2026' FROM account");
                throw new \RuntimeException('The disk is full.');
            }),
            $this->chore('other', 3600),
        ];
        $this->account();
        self::assertSame(['failing' => false, 'other' => true], $this->round($chores));
        self::assertSame(0, $connection->fetchOne("SELECT COUNT(*) FROM look WHERE looked_at = '2026'"));
        self::assertSame([], $this->round($chores), 'It is not tried again and again at once.');
        $this->clock->modify('+1 hour');
        self::assertSame(['failing' => false, 'other' => true], $this->round($chores));
    }

    public function testNothingIsBegunAfterTheEndWasAskedFor(): void
    {
        $asked = 0;
        $chores = [$this->chore('first', 60), $this->chore('second', 60)];
        self::assertSame(['first' => true], $this->round($chores, static function () use (&$asked): bool {
            return ++$asked > 1;
        }));
        self::assertSame(['first'], $this->log);
    }

    public function testRemindersThatWereAnsweredLongAgoAreForgotten(): void
    {
        $account = $this->account();
        $connection = $this->service(Connection::class);
        foreach (['open' => null, 'old' => '2025-10-01T10:00:00Z', 'lately' => '2026-01-01T10:00:00Z'] as $id => $answered) {
            $connection->insert(
                'ring',
                [
                    'id' => $id,
                    'account_id' => $account->id,
                    'key' => $id,
                    'about_kind' => 'task',
                    'about_id' => $id,
                    'how' => 'moment',
                    'reminder' => '',
                    'at' => '2025-09-01T10:00:00Z',
                    'times' => 1,
                    'noticed_at' => '2025-09-01T10:00:00Z',
                    'answered_at' => $answered,
                ],
            );
        }
        $this->service(OldRings::class)->do($this->clock->now());
        self::assertSame(['lately', 'open'], $connection->fetchFirstColumn('SELECT id FROM ring ORDER BY id'));
    }

    public function testFilesThatNothingNamesAreRemovedAfterTwoDays(): void
    {
        $files = $this->service(Files::class);
        $account = $this->signIn();
        [$kept, $drafted] = array_map(
            static fn (string $name): string => $files->take($account->id, $name, 'text/plain', 'Brass')['id'],
            ['kept.txt', 'drafted.txt', 'loose.txt'],
        );
        $this->service(KeepDrafts::class)->write(
            $account->id,
            new OutgoingId(self::id()),
            0,
            AnswerKind::New,
            null,
            'x@ternpoint.example',
            new Letter(files: [$drafted]),
        );
        $this->makeTask(['title' => 'Polish', 'files' => [$kept]]);
        $connection = $this->service(Connection::class);
        $loose = $this->service(LooseFiles::class);
        $loose->do($this->service(ProgramClock::class)->now()->modify('+1 day'));
        self::assertSame(3, $connection->fetchOne('SELECT COUNT(*) FROM file'), 'A form may still be open.');
        $loose->do($this->service(ProgramClock::class)->now()->modify('+3 days'));
        self::assertEqualsCanonicalizing([$kept, $drafted], $connection->fetchFirstColumn('SELECT id FROM file'));
    }

    public function testOneThatReadsMuchHoldsNobodyUpMeanwhile(): void
    {
        $open = [];
        $ask = function () use (&$open): void {
            $open[] = $this->service(Connection::class)->isTransactionActive();
        };
        $before = $this->service(Connection::class)->isTransactionActive();
        $long = new class($ask) implements LongChore {
            public function __construct(private readonly \Closure $do)
            {
            }

            public function name(): string
            {
                return 'long';
            }

            public function every(): int
            {
                return 60;
            }

            public function do(\DateTimeImmutable $now): void
            {
                ($this->do)();
            }
        };
        self::assertSame(['long' => true, 'short' => true], $this->round([$long, $this->chore('short', 60, $ask)]));
        self::assertSame([$before, true], $open);
        self::assertFalse($before);
        self::assertSame([], $this->round([$long]), 'That it was done is written down all the same.');
    }

    /**
     * @param list<Chore> $chores
     *
     * @return array<string, bool>
     */
    private function round(array $chores, ?callable $isEnding = null): array
    {
        $worker = new Worker(
            $chores,
            $this->service(Connection::class),
            $this->service(Transaction::class),
            $this->service(EntityManagerInterface::class),
            $this->clock,
            new NullLogger(),
        );

        return $worker->round($isEnding ?? static fn (): bool => false);
    }

    private function chore(string $name, int $every, ?\Closure $do = null): Chore
    {
        return new class($name, $every, function () use ($name, $do): void {
            $this->log[] = $name;
            null === $do || $do();
        }) implements Chore {
            public function __construct(private readonly string $name, private readonly int $every, private readonly \Closure $do)
            {
            }

            public function name(): string
            {
                return $this->name;
            }

            public function every(): int
            {
                return $this->every;
            }

            public function do(\DateTimeImmutable $now): void
            {
                ($this->do)();
            }
        };
    }
}

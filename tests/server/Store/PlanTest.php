<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Store;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\TestWith;
use ZippyTray\Server\Work\KeepLearning;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * What is asked of the database again and again reads what it shows, however much there is: no query on the way goes through
 * all messages, conversations or entries of an account.
 */
final class PlanTest extends ApiTestCase
{
    /** Tables that grow with the years. */
    private const LARGE = [
        'message',
        'conversation',
        'conversation_message',
        'conversation_label',
        'order_effect',
        'order_wanted',
        'mail_in',
        'slot',
        'stretch',
        'day_plan',
        'event',
        'findings',
        'journal_entry',
        'journal_touch',
        'thread_id',
        'thread_subject',
        'person',
        'person_word',
        'person_message',
        'message_source',
        'message_text',
        'search_message',
        'search_conversation',
        'lesson',
        'learned_trait',
        'learned_before',
    ];

    /** Of all there is, these are few. */
    private const SMALL = '/INDEX (conversation_reminding|conversation_muted|stretch_running) /';

    #[TestWith([false])]
    #[TestWith([true])]
    public function testNothingThatIsAskedOftenReadsEverything(bool $withStatistics): void
    {
        $this->signIn();
        $this->mailbox();
        if ($withStatistics) {
            $this->pretendThatItIsLarge();
        }
        $wrong = [];
        foreach ($this->asked() as $name => $ask) {
            foreach (array_unique(SqlLog::during($ask)) as $sql) {
                foreach ($this->readsAll($sql) as $step) {
                    $wrong[] = "{$name}: {$step}\n    ".preg_replace('/\s+/', ' ', $sql);
                }
            }
        }
        self::assertSame([], $wrong, implode("\n", $wrong));
    }

    /** @return iterable<string, callable(): mixed> */
    private function asked(): iterable
    {
        $tray = $this->rows('/tray');
        [$first, $second] = [self::text($tray[0]['id'] ?? null), self::text($tray[1]['id'] ?? null)];
        yield 'tray' => fn (): array => $this->call('GET', '/tray');
        yield 'let in' => fn (): array => $this->call('POST', '/let-in', ['entry' => self::id()], 422);
        yield 'tray by importance' => fn (): array => $this->call('GET', '/tray?order=important');
        yield 'how much it matters' => fn (): array => $this->call('GET', "/conversations/{$first}/importance");
        yield 'what was said of it' => fn (): array => $this->call('GET', '/corrections');
        yield 'learning' => fn (): int => $this->service(KeepLearning::class)(static fn (): bool => false);
        yield 'open' => fn (): array => $this->call('GET', '/conversations/'.$first);
        $long = array_filter($tray, static fn (array $row): bool => $row['messages'] > 1);
        self::assertCount(1, $long);
        yield 'open a long one' => fn (): array => $this->call('GET', '/conversations/'.self::text(reset($long)['id']));
        yield 'proposals' => fn (): array => $this->call('POST', '/proposals', ['conversations' => [$first, $second]]);
        yield 'what archiving the rest holds up' => fn (): array => $this->call('GET', '/rest');
        yield 'the same, further' => fn (): array => $this->call('GET', '/rest?after='.rawurlencode('2026-11-02T08:00:00Z '.$first));
        yield 'heartbeat' => fn (): array => $this->call('GET', '/heartbeat');
        yield 'journal' => fn (): array => $this->call('GET', '/journal');
        yield 'journal, further' => fn (): array => $this->call('GET', '/journal?before=3');
        yield 'find a word' => fn (): array => $this->call('GET', '/find?words=lamp');
        yield 'find two' => fn (): array => $this->call('GET', '/find?words=lamp+glass');
        yield 'find in a place' => fn (): array => $this->call('GET', '/find?words=lamp&place=archive');
        yield 'find all' => fn (): array => $this->call('GET', '/find');
        yield 'find all of a place' => fn (): array => $this->call('GET', '/find?place=archive');
        yield 'find in a list' => fn (): array => $this->call('GET', '/find?list='.self::id());
        yield 'find a word in a list' => fn (): array => $this->call('GET', '/find?words=lamp&list='.self::id());
        yield 'muted' => fn (): array => $this->call('GET', '/find?place=muted');
        yield 'people' => fn (): array => $this->call('GET', '/people?words=ta');
        yield 'a person' => fn (): array => $this->call('GET', '/people/'.rawurlencode('tam1@glass.example'));
        yield 'tasks' => fn (): array => $this->call('GET', '/tasks');
        yield 'coming' => fn (): array => $this->call('GET', '/coming');
        yield 'days' => fn (): array => $this->call('GET', '/days?count=12');
        yield 'agenda' => fn (): array => $this->call('GET', '/agenda');
        yield 'balances' => fn (): array => $this->call('GET', '/balances');
        yield 'morning' => fn (): array => $this->call('GET', '/rituals/morning');
        yield 'evening' => fn (): array => $this->call('GET', '/rituals/evening');
        yield 'look back' => fn (): array => $this->call('GET', '/look-back');
        yield 'lists' => fn (): array => $this->call('GET', '/lists');
        yield 'owed' => fn (): array => $this->call('GET', '/owed');
        yield 'going out' => fn (): array => $this->call('GET', '/outgoing');
        yield 'archive and undo' => function () use ($first): void {
            $this->undo($this->decide('archive', [$first]));
        };
        yield 'archive several and undo' => function () use ($first, $second): void {
            $this->undo($this->decide('archive', [$first, $second]));
        };
        yield 'snooze' => fn (): array => $this->decide('snooze', [$second], ['date' => $this->day(2)]);
        yield 'make a task' => fn (): string => $this->makeTask(
            ['title' => 'Lamp', 'due' => ['date' => $this->day(3)]],
            ['conversation' => ['id' => $first]],
        );
        yield 'a message comes in' => fn (): array => $this->upload(
            ['letter.eml' => "From: Tam <tam1@glass.example>\r\nTo: wren@ternpoint.example\r\nSubject: Re: Letter 3\r\n"
                ."Message-ID: <again@glass.example>\r\nIn-Reply-To: <letter3@glass.example>\r\n\r\nThe lamp and its glass?\r\n"],
        );
    }

    /** Some of everything. */
    private function mailbox(): void
    {
        $box = '';
        for ($number = 0; $number < 30; ++$number) {
            $box .= "From x@y.example Tue Nov 24 10:00:00 2026\nFrom: Tam {$number} <tam{$number}@glass.example>\n"
                ."To: wren@ternpoint.example\nSubject: Letter {$number}\nDate: Mon, 2 Nov 2026 08:00:00 +0000\n"
                ."Message-ID: <letter{$number}@glass.example>\n\nCould you look at the lamp by 4 December?\n\n";
        }
        for ($number = 0; $number < 5; ++$number) {
            $box .= "From x@y.example Tue Nov 24 10:00:00 2026\nFrom: Ilse <ilse@glass.example>\nTo: wren@ternpoint.example\n"
                ."Subject: Long\nDate: Sun, 1 Nov 2026 09:0{$number}:00 +0000\nMessage-ID: <long{$number}@glass.example>\n"
                ."References: <long0@glass.example>\n\nAnd the lamp?\n\n";
        }
        $this->upload(['box.mbox' => $box]);
        $ids = array_map(self::text(...), array_column($this->rows('/tray'), 'id'));
        $this->decide('archive', \array_slice($ids, 0, 5));
        $this->decide('snooze', \array_slice($ids, 5, 2), ['date' => $this->day(3)]);
        $this->decide('delete', \array_slice($ids, 7, 2));
        $this->decide('mute', \array_slice($ids, 9, 1));
        $this->decide('hand_over', \array_slice($ids, 10, 1), ['date' => $this->day(3)], more: ['by' => 'Petra', 'what' => 'the lamp']);
        $this->makeTask(
            ['title' => 'Lamp', 'due' => ['date' => $this->day(3)], 'reminders' => ['1 day before']],
            ['conversation' => ['id' => $ids[11]]],
        );
        $this->makeTask(
            ['title' => 'Glass', 'start' => ['date' => $this->day(3)], 'list' => 'Lantern'],
            ['subtasks' => [['title' => 'Measure']]],
        );
    }

    /** Statistics as they would be of a mailbox that is a thousand times as large. */
    private function pretendThatItIsLarge(): void
    {
        $connection = $this->service(Connection::class);
        $connection->executeStatement('ANALYZE');
        foreach ($connection->fetchAllAssociative('SELECT rowid, tbl, stat FROM sqlite_stat1') as [
            'rowid' => $row,
            'tbl' => $table,
            'stat' => $stat,
        ]) {
            if (\in_array($table, self::LARGE, true) && \is_string($stat)) {
                $connection->executeStatement(
                    'UPDATE sqlite_stat1 SET stat = ? WHERE rowid = ?',
                    [
                        preg_replace_callback(
                            '/^\d+(?= )(?: \d+(?= ))?/',
                            static fn (array $m): string => implode(
                                ' ',
                                array_map(static fn (string $n): int => 1000 * (int) $n, explode(' ', $m[0])),
                            ),
                            $stat,
                        ),
                        $row,
                    ],
                );
            }
        }
        $connection->close();
    }

    /** @return list<string> the steps of its plan that go through a large table */
    private function readsAll(string $sql): array
    {
        if (1 !== preg_match('/^\s*(SELECT|UPDATE|DELETE|WITH|INSERT)/i', $sql)) {
            return [];
        }
        preg_match_all(
            '/\b(?:FROM|JOIN|UPDATE|INTO)\s+(\w+)(?:\s+(?:AS\s+)?(?!(?:WHERE|JOIN|LEFT|ON|SET|CROSS|ORDER|GROUP|LIMIT|UNION|VALUES|INNER'
                .'|INDEXED|NOT|USING)\b)(\w+))?/i',
            $sql,
            $names,
            \PREG_SET_ORDER,
        );
        $tables = [];
        foreach ($names as $name) {
            $tables[$name[2] ?? $name[1]] = $name[1];
        }
        $pdo = $this->service(Connection::class)->getNativeConnection();
        self::assertInstanceOf(\PDO::class, $pdo);
        $plan = $pdo->prepare('EXPLAIN QUERY PLAN '.$sql);
        $plan->execute();
        $steps = array_map(self::text(...), array_column($plan->fetchAll(\PDO::FETCH_ASSOC), 'detail'));
        $isEnd = 1 === preg_match('/^SELECT M(IN|AX)\(\w+\) FROM \w+ WHERE/', $sql);
        $isPage = str_contains($sql, 'LIMIT') && [] === preg_grep('/USE TEMP B-TREE FOR ORDER BY/', $steps);

        return array_values(array_filter($steps, static function (string $step) use ($tables, $isPage, $isEnd): bool {
            if (1 !== preg_match('/^(SCAN|SEARCH) (\w+)(.*)$/', $step, $m) || !\in_array($tables[$m[2]] ?? $m[2], self::LARGE, true)) {
                return false;
            }

            // Nothing but the account is all of it, unless it is read in its order only as far as a page goes, or one end of it.
            return 'SCAN' === $m[1]
                || (1 === preg_match('/\(account_id=\?\)$/', $m[3]) && !$isPage && !$isEnd && 1 !== preg_match(self::SMALL, $m[3]));
        }));
    }
}

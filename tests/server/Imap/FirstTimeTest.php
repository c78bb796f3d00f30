<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Imap;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\DataProvider;
use ZippyTray\Server\Work\ReadWanted;

/**
 * An inbox that has not been cleared for years is connected: a part of it is to be decided, and of the rest it is said what had better
 * stay.
 */
final class FirstTimeTest extends MailboxTestCase
{
    private const QUESTION = 'Could you send me the drawing of the lantern, please?';

    private const NEWS = 'The scaffolding is up, and all went well. Kind regards, Tam';

    public function testItIsCountedBeforeItIsConnected(): void
    {
        $this->begin();
        foreach ([
            'now' => '2026-11-24',
            'three' => '2026-11-22',
            'week' => '2026-11-16',
            'month' => '2026-10-30',
            'old' => '2023-02-01',
        ] as $id => $day) {
            $this->old($id, $day, self::NEWS);
        }
        $found = $this->call('POST', '/mailboxes/trials', $this->fields());
        self::assertSame(5, $found['inbox']);
        self::assertSame(
            [3 => 2, 14 => 3, 30 => 4, 90 => 4, 365 => 4],
            array_column((array) $found['ages'], 'messages', 'days'),
        );
        $part = ['part' => 'this month'] + $this->fields();
        self::assertSame(['text' => 'Sun 1 Nov 2026', 'messages' => 3], $this->call('POST', '/mailboxes/parts', $part));
        self::assertSame(['text' => '', 'messages' => null], $this->call('POST', '/mailboxes/parts', ['part' => 'all'] + $part));
        self::assertSame('part', $this->field($this->call('PUT', '/mailboxes', ['part' => 'soonish'] + $part, 422)));
        self::assertSame(['mailboxes' => []], $this->call('GET', '/mailboxes'));
    }

    #[DataProvider('both')]
    public function testWhatHadBetterStayIsShownBeforeTheRestIsArchived(bool $isArchivedThere): void
    {
        $this->begin();
        $this->old('recent', '2026-11-20', self::NEWS);
        $this->old('news', '2024-05-01', self::NEWS, list: true);
        $this->old('asks', '2024-06-01', self::QUESTION);
        $this->old('answered', '2024-06-02', self::QUESTION);
        $this->old('flagged', '2024-06-03', self::QUESTION, flags: ['\Seen', '\Answered']);
        $this->old('ahead', '2026-09-01', 'The opening is on 12 December 2026 at 11:00.');
        $this->old('silent', '2024-07-01', self::NEWS);
        $this->sent('answered');
        $mailbox = $this->mailbox($this->call('PUT', '/mailboxes', $this->fields()));
        self::assertSame('waiting', ((array) $mailbox['older'])['state']);
        $this->inStep();

        // The part that is to be decided is there; the rest is in the archive, and nothing was moved on the server.
        self::assertSame(['recent'], array_column($this->rows('/tray'), 'subject'));
        self::assertSame(
            ['ahead', 'answered', 'asks', 'flagged', 'news', 'recent', 'silent'],
            $this->in('INBOX'),
        );
        $this->service(ReadWanted::class)(static fn (): bool => false);
        self::assertSame(
            ['state' => 'waiting', 'messages' => 6, 'coming' => 0, 'reading' => 0],
            $this->mailbox($this->call('GET', '/mailboxes'))['older'],
        );
        $check = $this->call('GET', '/mailboxes/0/older');
        self::assertCount(6, (array) $check['conversations']);
        $held = [];
        foreach ((array) $check['held'] as $one) {
            $one = (array) $one;
            $held[] = self::text(((array) $one['row'])['subject'] ?? null).' '.self::text($one['because']);
        }
        self::assertEqualsCanonicalizing(['asks asks', 'ahead day', 'silent unanswered'], $held);

        // One of these is ticked to go nevertheless.
        $this->decide('bring_back', [$this->conversation('asks'), $this->conversation('ahead')]);
        $this->call('POST', '/mailboxes/0/older', ['archiveThere' => $isArchivedThere]);
        $this->inStep();
        $this->inStep();
        self::assertSame('done', ((array) $this->mailbox($this->call('GET', '/mailboxes'))['older'])['state']);
        self::assertEqualsCanonicalizing(['recent', 'asks', 'ahead'], array_column($this->rows('/tray'), 'subject'));
        $stay = ['ahead', 'asks', 'recent'];
        $go = ['answered', 'flagged', 'news', 'silent'];
        self::assertSame(
            $isArchivedThere ? $stay : ['ahead', 'answered', 'asks', 'flagged', 'news', 'recent', 'silent'],
            $this->in('INBOX'),
        );
        self::assertSame($isArchivedThere ? $go : [], $this->in('Archive'));

        // What stayed is decided like all else.
        $this->decide('archive', [$this->conversation('asks')]);
        $this->inStep();
        self::assertContains('asks', $this->in('Archive'));
    }

    /** @return iterable<string, array{bool}> */
    public static function both(): iterable
    {
        yield 'here only' => [false];
        yield 'on the server, too' => [true];
    }

    public function testTheNewestComesFirstThenWhatWasSentThenTheRest(): void
    {
        $this->begin();
        $this->old('older', '2024-05-01', self::NEWS);
        $this->old('oldest', '2023-05-01', self::NEWS);
        $this->old('recent', '2026-11-20', self::NEWS);
        $this->old('newest', '2026-11-23', self::NEWS);
        $this->sent('older');
        $this->other()->append('Archive', self::letter('filed', 'filed@glass.example'), [], new \DateTimeImmutable('2026-11-23'));
        $this->call('PUT', '/mailboxes', $this->fields());
        $this->inStep();
        self::assertSame(
            ['newest', 'recent', 'Re: older', 'older', 'oldest', 'filed'],
            $this->column('SELECT subject FROM message ORDER BY rowid'),
        );
    }

    public function testItCanBeStoppedAndGoOn(): void
    {
        $this->begin();
        $this->old('older', '2024-05-01', self::NEWS);
        $this->old('recent', '2026-11-20', self::NEWS);
        $this->other()->append('Archive', self::letter('filed', 'filed@glass.example'), [], new \DateTimeImmutable('2026-11-23'));
        $this->call('PUT', '/mailboxes', $this->fields());
        $mailbox = $this->mailbox($this->call('PUT', '/mailboxes/0/coming', ['takesOlder' => false]));
        self::assertFalse($mailbox['takesOlder']);
        $this->inStep();
        self::assertSame(['recent'], $this->column('SELECT subject FROM message'));
        self::assertSame(1, ((array) $this->mailbox($this->call('GET', '/mailboxes'))['older'])['coming']);

        // What arrives comes in nevertheless, and what is moved there by another program is followed.
        $this->old('arrived', '2026-11-24', self::NEWS);
        $this->inStep();
        self::assertCount(2, $this->rows('/tray'));
        $this->move($this->other(), 'recent', 'INBOX', 'Archive');
        $this->inStep();
        $this->inStep();
        self::assertSame(['arrived'], array_column($this->rows('/tray'), 'subject'));
        self::assertSame(2, $this->number('SELECT COUNT(*) FROM message'));

        $this->call('PUT', '/mailboxes/0/coming', ['takesOlder' => true]);
        $this->inStep();
        self::assertSame(4, $this->number('SELECT COUNT(*) FROM message'));
        $this->call('PUT', '/mailboxes/3/coming', ['takesOlder' => true], 404);
    }

    public function testEachConversationOfManyIsShownOnce(): void
    {
        $this->begin();
        for ($at = 0; $at < 30; ++$at) {
            $this->old('talk-'.$at, '2024-05-01', self::NEWS, answers: 0 === $at % 3 ? '' : 'talk-'.(3 * intdiv($at, 3)));
        }
        $this->call('PUT', '/mailboxes', $this->fields());
        $this->inStep();
        $check = $this->call('GET', '/mailboxes/0/older');
        $ids = array_column((array) $check['conversations'], 'id', 'id');
        self::assertSame([10, 10, null], [\count((array) $check['conversations']), \count($ids), $check['next']]);
    }

    public function testFoldersAreChosen(): void
    {
        $this->begin();
        foreach (['2024', '0', 'Suppliers', 'Kept'] as $folder) {
            $this->other()->create($folder);
            $this->other()->append(
                $folder,
                self::letter('in '.$folder, 'f'.$folder.'@glass.example'),
                [],
                new \DateTimeImmutable('2026-11-20'),
            );
        }
        $folder = static fn (string $name, string $role, bool $isTakenIn): array => [
            'name' => $name,
            'role' => $role,
            'takenIn' => $isTakenIn,
        ];
        $twice = ['folders' => [$folder('Kept', 'archive', true), $folder('Suppliers', 'archive', true)]] + $this->fields();
        self::assertSame('folders', $this->field($this->call('PUT', '/mailboxes', $twice, 422)));
        $fields = ['folders' => [$folder('Kept', 'archive', true), $folder('2024', 'other', true), $folder('0', 'other', false)]];
        $this->call('PUT', '/mailboxes', $fields + $this->fields());
        $this->inStep();
        self::assertSame(['in 2024', 'in Kept'], $this->column('SELECT subject FROM message ORDER BY subject'));
        $this->old('arrived', '2026-11-24', self::NEWS);
        $this->inStep();
        $this->decide('archive', [$this->conversation('arrived')]);
        $this->inStep();
        self::assertContains('arrived', $this->in('Kept'));

        // Later on, too.
        $fields = ['folders' => [$folder('Suppliers', 'other', true), $folder('2024', 'other', false), $folder('0', 'other', true)]];
        $this->call('PUT', '/mailboxes', $fields + $this->fields());
        $this->inStep();
        self::assertSame(4, $this->number("SELECT COUNT(*) FROM message WHERE subject LIKE 'in %'"));
        self::assertSame(5, $this->number('SELECT COUNT(*) FROM message'));
    }

    public function testOneStepIsBoundedAndReadsWhatItTakesInOnly(): void
    {
        $this->begin();
        for ($at = 0; $at < 120; ++$at) {
            $this->old('letter-'.$at, '2024-05-01', self::NEWS);
        }
        $this->call('PUT', '/mailboxes', $this->fields());
        $this->inStep();
        self::assertSame(120, $this->number('SELECT COUNT(*) FROM message'));
        $plan = json_encode($this->service(Connection::class)->fetchAllAssociative(
            "EXPLAIN QUERY PLAN SELECT id FROM server_copy c WHERE folder_id = 1 AND state = 'wanted' AND missed = 0
                AND uid IS NOT NULL AND came_at >= '' ORDER BY came_at DESC LIMIT 50",
        ), \JSON_THROW_ON_ERROR);
        self::assertStringContainsString('server_copy_wanted', $plan);
        self::assertStringNotContainsString('TEMP B-TREE', $plan);
    }

    private function begin(): void
    {
        $this->wren = $this->signIn();
        $this->at = self::dovecot();
        $this->user = self::person();
    }

    /** @param list<string> $flags */
    private function old(string $id, string $day, string $text, bool $list = false, array $flags = [], string $answers = ''): void
    {
        $more = ($list ? "List-Id: <news.glass.example>\r\nList-Unsubscribe: <mailto:off@glass.example>\r\n" : '')
            .('' === $answers ? '' : "In-Reply-To: <{$answers}@glass.example>\r\n");
        $letter = self::letter($id, $id.'@glass.example', $text, $more);
        $letter = str_replace(
            'Mon, 23 Nov 2026 09:00:00 +0000',
            (new \DateTimeImmutable($day.' 09:00 UTC'))->format(\DATE_RFC2822),
            $letter,
        );
        // Each by somebody else, who writes for the first time.
        $this->other()->append('INBOX', str_replace('tam@', "tam-{$id}@", $letter), $flags, new \DateTimeImmutable($day.' 09:00 UTC'));
    }

    private function sent(string $to): void
    {
        $this->other()->create('Sent');
        $this->other()->append('Sent', "From: wren@ternpoint.example\r\nTo: tam-{$to}@glass.example\r\nSubject: Re: {$to}\r\n"
            ."Date: Fri, 07 Jun 2024 09:00:00 +0000\r\nMessage-ID: <re-{$to}@ternpoint.example>\r\nIn-Reply-To: <{$to}@glass.example>\r\n"
            ."\r\nHere it is.\r\n", ['\Seen'], new \DateTimeImmutable('2024-06-07'));
    }

    /** @return list<string> the names of what lies in a folder there, in their order */
    private function in(string $folder): array
    {
        $names = [];
        foreach ($this->lies() as $one) {
            [$in, $name] = explode(' ', $one, 2);
            $in !== $folder || $names[] = $name;
        }
        sort($names);

        return $names;
    }
}

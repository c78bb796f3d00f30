<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use ZippyTray\Tests\Server\ApiTestCase;

/**
 * Mail that is found by words and refinements.
 */
final class FindTest extends ApiTestCase
{
    /** @var array<string, string> ids by subject */
    private array $mail = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn();
    }

    public function testItFinds(): void
    {
        $this->mailbox();
        foreach (self::searches() as [$words, $found]) {
            self::assertSame($found, $this->found($words), $words);
        }
    }

    /** @return iterable<array{string, string}> newest first, what has it in its subject earlier */
    private static function searches(): iterable
    {
        yield ['slates', 'Slates, Tiles'];
        yield ['slat', 'Slates, Tiles'];
        yield ['"welsh slates"', 'Tiles'];
        yield ['slates not welsh', 'Slates'];
        yield ['slates or glass', 'Glass, Slates, Tiles'];
        yield ['not slates', 'Menu, Glass, 会議'];
        yield ['café', 'Menu'];
        yield ['cafe', 'Menu'];
        yield ['CAFÉ not glass', 'Menu'];
        // inside words without blanks
        yield ['会議室', '会議'];
        yield ['議室', '会議'];
        yield ['室', '会議'];
        yield ['会室', ''];
        yield ['予約 or slates', 'Slates, 会議, Tiles'];
        // attachments
        yield ['with attachment', 'Menu, Glass'];
        yield ['with pdf', 'Glass'];
        yield ['with picture', ''];
        yield ['file plan', 'Glass'];
        yield ['file menu', 'Menu'];
        yield ['rhubarb', 'Menu'];
        yield ['gooseberry', 'Menu'];
        yield ['drawing', 'Glass'];
        // who
        yield ['from tam', 'Glass, Slates'];
        yield ['from tam slates', 'Slates'];
        yield ['from "Tam Reed"', 'Glass, Slates'];
        yield ['from zoe', 'Tiles'];
        yield ['from nobody', ''];
        yield ['not from tam', 'Menu, 会議, Tiles'];
        yield ['from tam or from zoe', 'Glass, Slates, Tiles'];
        yield ['to petra', 'Glass'];
        yield ['with petra', 'Menu, Glass'];
        yield ['to wren@ternpoint.example', 'Menu, Glass, Slates, 会議, Tiles'];
        // when
        yield ['before 1 november', 'Tiles'];
        yield ['since 1 november slates', 'Slates'];
        yield ['in october', 'Tiles'];
        yield ['this week', 'Menu'];
        yield ['last week', 'Glass'];
        yield ['not this week from tam', 'Glass, Slates'];
        // where, and how it stands
        yield ['in tray', 'Menu, Glass, 会議'];
        yield ['in archive', 'Slates'];
        yield ['in away', 'Tiles'];
        yield ['undecided', 'Menu, Glass, 会議'];
        yield ['decided as archived', 'Slates'];
        yield ['decided as task', ''];
        yield ['owed', 'Tiles'];
        yield ['with open task', 'Slates'];
        yield ['list roof', 'Slates'];
        yield ['not list roof slates', 'Tiles'];
        yield ['label money', 'Glass'];
        yield ['stage asked', 'Slates'];
        yield ['asks something', 'Glass'];
        yield ['larger than 50 kB', 'Menu'];
        yield ['larger than 1 MB', ''];
        // what cannot be read finds nothing, and tasks are no mail
        yield ['slates before blursday', ''];
        yield ['list nowhere', ''];
        yield ['overdue', ''];
        yield ['(from tam or slates) not in archive', 'Glass, Tiles'];
    }

    public function testALongListComesInPartsInItsOrder(): void
    {
        for ($number = 0; $number < 130; ++$number) {
            $this->receive(
                \sprintf('%s %03d', 0 === $number % 3 ? 'Slates' : 'Letter', $number),
                text: 'About slates.',
                id: "m{$number}@x.example",
            );
        }
        $first = $this->call('GET', '/find?words=slates');
        $rest = $this->call('GET', '/find?words=slates&after='.rawurlencode(self::text($first['next'])));
        $subjects = array_map(
            self::text(...),
            [...array_column((array) $first['rows'], 'subject'), ...array_column((array) $rest['rows'], 'subject')],
        );
        self::assertSame(
            [130, 100, 30, null],
            [$first['total'], \count((array) $first['rows']), \count((array) $rest['rows']), $rest['next']],
        );
        self::assertCount(130, array_unique($subjects));
        $inSubject = array_map(static fn (string $one): bool => str_starts_with($one, 'Slates'), $subjects);
        self::assertSame(44, array_sum(\array_slice($inSubject, 0, 44)), 'What has it in its subject stands first.');
    }

    public function testWhatIsNoMailIsFound(): void
    {
        $this->mailbox();
        $list = self::text($this->rows('/lists')[0]['id']);
        $this->call('PUT', "/lists/{$list}/note", ['entry' => self::id(), 'note' => 'Only **Welsh** slates, no varnish.', 'was' => '']);
        $this->call('POST', "/lists/{$list}/references", [
            'entry' => self::id(), 'id' => self::id(), 'kind' => 'page', 'title' => 'Varnish', 'url' => 'https://paint.example/boats',
        ], 201);
        $this->makeTask(['title' => 'Buy varnish', 'list' => 'Roof', 'due' => ['date' => '2026-11-25'], 'priority' => 'high']);
        $this->makeTask(['title' => 'Varnish the door', 'notes' => 'Two **coats** of it', 'due' => ['date' => '2026-11-20']]);
        $done = $this->makeTask(['title' => 'Old varnish off']);
        $this->call('PUT', '/tasks/state', ['entry' => self::id(), 'tasks' => [$done], 'done' => true, 'withSubtasks' => false]);
        foreach ([
            'varnish' => ['Buy varnish, Varnish the door, Old varnish off', 'Varnish', 'Roof'],
            'varn coats' => ['Varnish the door', '', ''],
            'boats' => ['', 'Varnish', ''],
            'varnish list roof' => ['Buy varnish', 'Varnish', 'Roof'],
            'overdue' => ['Varnish the door', '', ''],
            'due tomorrow' => ['Buy varnish', '', ''],
            'due by friday' => ['Buy varnish, Varnish the door', '', ''],
            'varnish is done' => ['Old varnish off', '', ''],
            'varnish without date is open' => ['', '', ''],
            'high priority or overdue' => ['Buy varnish, Varnish the door', '', ''],
            'varnish not high priority is open' => ['Varnish the door', '', ''],
            'varnish in tray' => ['', '', ''],
            'varnish before blursday' => ['', '', ''],
            '' => ['', '', ''],
        ] as $words => $expected) {
            $found = $this->call('GET', '/find/things?words='.rawurlencode($words));
            $names = static fn (string $sort, string $name): string => implode(
                ', ',
                array_map(self::text(...), array_column((array) $found[$sort], $name)),
            );
            $tasks = array_map(self::text(...), array_column((array) $found['tasks'], 'title'));
            sort($tasks);
            $wanted = array_filter(explode(', ', $expected[0]));
            sort($wanted);
            self::assertSame(
                [$wanted, $expected[1], $expected[2]],
                [$tasks, $names('references', 'title'), $names('notes', 'name')],
                $words,
            );
        }
        $found = $this->call('GET', '/find/things?words=varnish&whole=entry');
        self::assertSame(3, ((array) $found['counts'])['task']);
        self::assertSame('Old varnish off', self::text(((array) ((array) $found['tasks'])[2])['title']), 'What is done comes last.');
        self::assertGreaterThanOrEqual(4, \count((array) $found['entries']));
        self::assertStringContainsString("\u{2}varnish\u{3}", implode(' ', array_map(self::text(...), (array) $found['hits'])));
        $people = array_column((array) $this->call('GET', '/find/things?words=tam%20re')['people'], 'name');
        self::assertSame(['Tam Reed'], $people);
        self::assertSame(0, $this->command('data:check', [])[0], $this->command('data:check', [])[1]);
        $this->signIn($this->account('ada@ternpoint.example', 'Ada'));
        $found = $this->call('GET', '/find/things?words=varnish');
        self::assertSame(0, array_sum((array) $found['counts']));
    }

    public function testHitsAreMarkedWhereTheyStand(): void
    {
        $this->mailbox();
        $hits = fn (string $words): array => (array) $this->call('GET', '/find?words='.rawurlencode($words))['hits'];
        $hit = fn (string $words, string $of): mixed => $hits($words)[$this->mail[$of]] ?? null;
        self::assertSame("We have \u{2}Welsh\u{3} \u{2}slates\u{3}.", $hit('"welsh slates"', 'Tiles'));
        self::assertSame("Rhubarb pie \u{2}Gooseberry\u{3} fool", $hit('gooseberry', 'Menu'));
        self::assertStringContainsString("\u{2}議室\u{3}", self::text($hit('議室', '会議')));
    }

    public function testWhatIsTypedIsReadAndWhatCouldFollowIsOffered(): void
    {
        $this->mailbox();
        $read = fn (string $words): array => $this->call('GET', '/find/read?words='.rawurlencode($words));
        $clauses = (array) $read('slates not from tam before blursday')['clauses'];
        self::assertSame([['from', 7, 19, 'from tam', true], [null, 20, 35, '“blursday” is no day that I can read.', false]], array_map(
            static fn (mixed $one): array => array_values((array) $one),
            $clauses,
        ));
        $offers = static fn (array $read): array => array_column((array) $read['offers'], 'text');
        self::assertContains('before ', $offers($read('slates bef')));
        self::assertContains('"Tam Reed" ', $offers($read('slates from ta')));
        self::assertSame(['Roof '], $offers($read('list ro')));
        self::assertSame(['money '], $offers($read('label ')));
        self::assertSame(['Asked '], $offers($read('stage a')));
        self::assertContains('archive ', $offers($read('in ')));
        self::assertSame([], $offers($read('')));
    }

    public function testSearchesAreKeptCountedMovedAndDropped(): void
    {
        $this->mailbox();
        [$slates, $open] = [self::id(), self::id()];
        $keep = fn (
            string $id,
            string $name,
            string $words,
            string $sort,
            int $status = 200,
        ): array => $this->call('PUT', '/searches/'.$id, [
            'entry' => self::id(), 'name' => $name, 'words' => $words, 'sort' => $sort, 'shownIn' => 'mail' === $sort ? 'tray' : '',
        ], $status);
        $keep($slates, 'Slates', 'slates or "no such"', 'mail');
        $keep($open, 'To do', 'is open', 'task');
        $count = fn (string $id): mixed => $this->call('GET', "/searches/{$id}/count")['count'];
        self::assertSame([2, 1], [$count($slates), $count($open)]);
        $keep(self::id(), 'slates', 'x', 'mail', 422);
        $moved = $this->call('PUT', "/searches/{$open}/place", ['entry' => self::id(), 'behind' => null]);
        self::assertSame(['To do', 'Slates'], array_column($this->rows('/searches'), 'name'));
        $this->undo($moved);
        $gone = $this->call('DELETE', "/searches/{$slates}?entry=".self::id());
        self::assertSame(['To do'], array_column($this->rows('/searches'), 'name'));
        $this->undo($gone);
        self::assertSame(['Slates', 'To do'], array_column($this->rows('/searches'), 'name'));
        self::assertSame(0, $this->command('data:check', [])[0], $this->command('data:check', [])[1]);
        $this->signIn($this->account('ada@ternpoint.example', 'Ada'));
        self::assertSame([], $this->rows('/searches'));
        $this->call('GET', "/searches/{$slates}/count", null, 404);
        $this->call('DELETE', "/searches/{$slates}?entry=".self::id(), null, 404);
    }

    public function testNobodyFindsWhatIsSomebodyElses(): void
    {
        $this->mailbox();
        $this->signIn($this->account('ada@ternpoint.example', 'Ada'));
        foreach (self::searches() as [$words]) {
            self::assertSame('', $this->found($words), $words);
        }
    }

    private function found(string $words): string
    {
        return implode(
            ', ',
            array_map(self::text(...), array_column((array) $this->call('GET', '/find?words='.rawurlencode($words))['rows'], 'subject')),
        );
    }

    private function mailbox(): void
    {
        $letter = static fn (
            string $subject,
            string $from,
            string $to,
            string $date,
            string $body,
            string $more = '',
        ): string => "From: {$from}\r\nTo: {$to}\r\n"
            .'Subject: =?utf-8?B?'.base64_encode($subject)."?=\r\nDate: {$date}\r\n"
            .'Message-ID: <'.md5($subject)."@x.example>\r\nMIME-Version: 1.0\r\n"
            .('' === $more
                ? "Content-Type: text/plain; charset=utf-8\r\n\r\n{$body}\r\n"
                : "Content-Type: multipart/mixed; boundary=b\r\n\r\n--b\r\nContent-Type: text/plain; charset=utf-8\r\n\r\n{$body}\r\n"
                    ."{$more}--b--\r\n");
        $file = static fn (string $type, string $name, string $content): string => "--b\r\nContent-Type: {$type}\r\n"
            ."Content-Disposition: attachment; filename=\"{$name}\"\r\n\r\n{$content}\r\n";
        $wren = 'Wren Halloran <wren@ternpoint.example>';
        $tam = 'Tam Reed <tam@glass.example>';
        $petra = 'Petra Lind <petra@lind.example>';
        $date = static fn (string $day): string => $day.' 2026 09:00:00 +0000';
        $this->upload([
            '1.eml' => $letter('Tiles', 'Zoë Ash <zoe@tiles.example>', $wren, 'Mon, 12 Oct 2026 09:00:00 +0000', 'We have Welsh slates.'),
            '2.eml' => $letter('Slates', $tam, $wren, 'Wed, 4 Nov 2026 09:00:00 +0000', 'They are here.'),
            '3.eml' => $letter('Glass', $tam, $wren.', '.$petra, $date('Wed, 18 Nov'), 'Please send me the measures by Friday.', $file(
                'application/pdf',
                'plan of the drawing.pdf',
                'no real one',
            )),
            '4.eml' => $letter('Menu', $petra, $wren, $date('Mon, 23 Nov'), 'The Café is open.', $file(
                'text/html; charset=utf-8',
                'menu.html',
                '<html><head><title>none</title></head><body><p>Rhubarb pie</p></body></html>',
            ).$file('text/plain', 'more.txt', 'Gooseberry fool'.str_repeat("\r\n".str_repeat(' ', 70), 1000))),
            '5.eml' => $letter('会議', '山田 <yamada@minato.example>', $wren, 'Tue, 3 Nov 2026 09:00:00 +0000', '明日の会議室の予約をお願いします。'),
        ]);
        foreach ($this->rows('/tray') as $row) {
            $this->mail[self::text($row['subject'])] = self::text($row['id']);
        }
        $list = self::id();
        $this->call('POST', '/lists', ['entry' => self::id(), 'id' => $list, 'name' => 'Roof', 'colour' => 'sea'], 201);
        $this->call(
            'PUT',
            "/lists/{$list}/stages",
            ['entry' => self::id(), 'stages' => [['id' => self::id(), 'name' => 'Asked']], 'were' => []],
        );
        $this->call('POST', '/lists/mail', ['entry' => self::id(), 'conversations' => [$this->mail['Slates']], 'into' => [$list]]);
        $this->call(
            'POST',
            '/labelled',
            ['entry' => self::id(), 'conversations' => [$this->mail['Glass']], 'on' => ['money'], 'off' => []],
        );
        $message = self::text(((array) ((array) $this->call(
            'GET',
            '/conversations/'.$this->mail['Slates'],
        )['messages'])[0])['messageHeader']);
        $this->makeTask(['title' => 'Count them', 'sources' => [['kind' => 'message', 'ref' => 'mid:'.$message]]]);
        $this->decide('archive', [$this->mail['Slates']]);
        $this->decide('hand_over', [$this->mail['Tiles']], ['phrase' => 'friday'], more: ['by' => 'Zoe', 'what' => 'the plan']);
    }
}

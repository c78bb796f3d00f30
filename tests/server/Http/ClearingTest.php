<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use ZippyTray\Tests\Server\ApiTestCase;

final class ClearingTest extends ApiTestCase
{
    public function testAClearingIsSummedUpByWhatStillHolds(): void
    {
        $this->signIn();
        [$one, $two, $three, $four] = array_map($this->receive(...), ['One', 'Two', 'Three', 'Four']);
        $id = self::id();
        $begun = $this->call('POST', '/clearings', ['id' => $id, 'order' => 'oldest'], 201);
        self::assertSame([4, 0, null, 'oldest'], [$begun['size'], $begun['decided'], $begun['endedAt'], $begun['order']]);
        self::assertSame($begun, $this->call('POST', '/clearings', ['id' => $id, 'order' => 'oldest'], 201), 'Begun once.');

        $this->decide('archive', [$one], more: ['clearing' => $id]);
        $undone = $this->decide('do_now', [$two], more: ['clearing' => $id]);
        $this->call(
            'POST',
            '/tasks',
            [
                'entry' => self::id(),
                'clearing' => $id,
                'tasks' => [['id' => self::id(), 'fields' => ['title' => 'Do three'], 'conversation' => ['id' => $three]]],
            ],
            201,
        );
        $this->call('POST', "/conversations/{$four}/touches", ['occasion' => $id], 204);
        $this->undo($undone);
        $this->decide('delete', [$two]);

        $ended = $this->call('PUT', "/clearings/{$id}/end");
        self::assertSame(2, $ended['decided']);
        self::assertEqualsCanonicalizing(
            [['kind' => 'archive', 'count' => 1], ['kind' => 'make_task', 'count' => 1]],
            (array) $ended['became'],
        );
        self::assertSame(1, $ended['passed']);
        self::assertIsString($ended['endedAt']);
        self::assertSame($ended, $this->call('GET', "/clearings/{$id}"));
        $this->call('GET', '/clearings/'.self::id(), status: 404);
    }

    public function testAKindOfDecisionThatThereIsNotIsRefusedInASentence(): void
    {
        $this->signIn();
        $problem = $this->call(
            'POST',
            '/decisions',
            ['id' => self::id(), 'kind' => 'shred', 'conversations' => [['id' => $this->receive()]]],
            422,
        );
        self::assertSame(
            [['field' => 'kind', 'message' => 'The page sent something here that is not understood. Reload it, then try again.']],
            $problem['violations'],
        );
    }

    public function testADecisionOnAnOldSightIsAnsweredWithWhatHappened(): void
    {
        $this->signIn();
        $id = $this->receive();
        $revision = $this->row($id)['revision'];
        $entry = $this->decide('archive', [$id]);

        $body = ['id' => self::id(), 'kind' => 'delete', 'conversations' => [['id' => $id, 'revision' => $revision]]];
        $problem = $this->call('POST', '/decisions', $body, 409);
        self::assertStringContainsString('has been decided meanwhile', self::string($problem['detail']));
        self::assertSame($entry['id'], ((array) $problem['later'])['id']);
        self::assertSame('archive', $this->row($id)['place']);
    }

    public function testOfManyTheOvertakenOnesAreNamed(): void
    {
        $this->signIn();
        [$one, $two] = [$this->receive('One'), $this->receive('Two')];
        $claims = array_map(fn (string $id): array => ['id' => $id, 'revision' => $this->row($id)['revision']], [$one, $two]);
        $this->decide('delete', [$two]);
        $answer = $this->call('POST', '/decisions', ['id' => self::id(), 'kind' => 'archive', 'conversations' => $claims]);
        $overtaken = (array) $answer['overtaken'];
        self::assertSame([$two], array_column($overtaken, 'conversation'));
    }

    public function testTouchesAreCountedUntilADecisionAndBackAfterItsUndo(): void
    {
        $this->signIn();
        $id = $this->receive();
        foreach ([self::id(), $again = self::id(), $again] as $occasion) {
            $this->call('POST', "/conversations/{$id}/touches", ['occasion' => $occasion], 204);
        }
        self::assertSame(2, $this->row($id)['touches']);
        $this->call('POST', '/demo/clock', ['to' => 'hour']);
        $entry = $this->decide('snooze', [$id], $this->inADay());
        self::assertSame(0, $this->row($id)['touches']);
        $this->undo($entry);
        self::assertSame(2, $this->row($id)['touches']);
    }

    public function testALargeTrayIsLookedThroughInParts(): void
    {
        $account = $this->signIn();
        $this->receive('Drawings', text: 'Could you send me the drawings by 4 December?');
        $connection = $this->service(Connection::class);
        // Copies of one conversation, many of them with the very same time.
        $columns = array_map(
            self::text(...),
            $connection->fetchFirstColumn(
                "SELECT name FROM pragma_table_info('conversation') WHERE name NOT IN ('id', 'latest_at', 'place', 'away_until', "
                    ."'away_zone', 'away_reason')",
            ),
        );
        $same = implode(', ', $columns);
        $connection->executeStatement("WITH RECURSIVE n (n) AS (SELECT 1 UNION ALL SELECT n + 1 FROM n WHERE n < 1249)
            INSERT INTO conversation (id, latest_at, place, away_until, away_zone, away_reason, {$same})
            SELECT printf('%08d-0000-4000-8000-000000000000', n), printf('2026-11-%02dT08:00:00Z', 1 + n % 3),
                CASE n % 50 WHEN 0 THEN 'away' ELSE 'tray' END, CASE n % 50 WHEN 0 THEN '2026-11-20T08:00:00Z' END,
                'Europe/Dublin', 'snooze', {$same}
            FROM n, conversation WHERE account_id = ?", [$account->id]);
        $seen = $returned = [];
        $after = '';
        for ($part = 0; null !== $after && $part < 5; ++$part) {
            $check = $this->call('GET', '/rest?after='.rawurlencode($after));
            $ids = array_map(self::text(...), array_column((array) $check['conversations'], 'id'));
            self::assertLessThanOrEqual(500, \count($ids));
            array_push($seen, ...$ids);
            array_push($returned, ...array_keys(array_column((array) $check['held'], 'reason'), 'You had it come back.', true));
            $after = null === $check['next'] ? null : self::text($check['next']);
        }
        self::assertSame(3, $part);
        self::assertCount(1250, $seen);
        self::assertCount(1250, array_unique($seen));
        self::assertCount(24, $returned);
    }

    public function testArchivingTheRestLooksFirst(): void
    {
        $this->signIn();
        $asks = $this->receive('Drawings', text: 'Could you send me the drawings by 4 December?');
        $tells = $this->receive('Weather', text: 'It rained all day here.');
        $check = $this->call('GET', '/rest');
        self::assertEqualsCanonicalizing([$asks, $tells], array_column((array) $check['conversations'], 'id'));
        /** @var list<array{row: array{id: string}, reason: string}> $held */
        $held = $check['held'];
        self::assertSame([$asks], array_map(static fn (array $one): string => $one['row']['id'], $held));
        self::assertStringContainsString('seems to ask', $held[0]['reason']);
        $entry = $this->decide('archive_rest', [$tells]);
        self::assertSame('archive_rest', $entry['kind']);
        self::assertSame([$asks], array_column($this->rows('/tray'), 'id'));
    }

    public function testABlockedSenderIsListedAndLetInAgain(): void
    {
        $this->signIn();
        $id = $this->receive('Offer', 'Shop <shop@buy.example>');
        $block = $this->decide('block', [$id], more: ['wholeDomain' => true]);
        self::assertSame('mail from @buy.example goes to Blocked', $block['consequence']);
        $this->upload(['more.eml' => "From: news@mail.buy.example\r\nSubject: More\r\nMessage-ID: <m@x>\r\n\r\nMore.\r\n"]);
        self::assertSame([], $this->rows('/tray'));
        self::assertSame(2, $this->counts()['blocked']);
        self::assertSame(2, $this->call('GET', '/find?place=blocked')['total']);

        $sender = $this->rows('/blocked')[0];
        self::assertSame(['buy.example', true, 2], [$sender['pattern'], $sender['domain'], $sender['conversations']]);
        self::assertIsString($sender['id']);
        $unblock = $this->call('DELETE', "/blocked/{$sender['id']}?bringBack=1&entry=".self::id());
        self::assertSame([], $this->rows('/blocked'));
        self::assertCount(2, $this->rows('/tray'));

        $this->undo($unblock);
        self::assertCount(1, $this->rows('/blocked'));
        self::assertSame([], $this->rows('/tray'));
        $this->call('DELETE', '/blocked/'.self::id().'?entry='.self::id(), status: 404);
    }

    public function testNobodyElsesMailIsBlockedDecidedOrCounted(): void
    {
        $this->signIn();
        $id = $this->receive('Offer', 'Shop <shop@buy.example>');
        $this->decide('block', [$id]);
        $clearing = self::id();
        $this->call('POST', '/clearings', ['id' => $clearing, 'order' => 'grouped'], 201);

        $this->signIn($this->account('petra@ternpoint.example'));
        self::assertSame([], $this->rows('/blocked'));
        $this->call('GET', "/clearings/{$clearing}", status: 404);
        $this->call('POST', "/conversations/{$id}/touches", ['occasion' => self::id()], 404);
        $this->receive('Offer of mine', 'Shop <shop@buy.example>');
        self::assertCount(1, $this->rows('/tray'));
    }

    public function testAHandOverSaysWhoOwes(): void
    {
        $this->signIn();
        $id = $this->receive();
        $this->decide('hand_over', [$id], $this->inADay(), more: ['by' => 'Petra', 'what' => 'the rota']);
        self::assertSame(['away', 'Petra'], [$this->row($id)['place'], $this->row($id)['owedBy']]);
        $this->decide('hand_over', [$id], $this->inADay(), 422, ['by' => '']);
    }

    public function testAMutedConversationStaysOut(): void
    {
        $this->signIn();
        $id = $this->receive('Talk', id: 'talk@glass.example');
        $this->decide('mute', [$id]);
        $this->upload(
            ['more.eml' => "From: tam@glass.example\r\nTo: wren@ternpoint.example\r\nSubject: Re: Talk\r\nMessage-ID: <m@x>\r\n"
                ."In-Reply-To: <talk@glass.example>\r\n\r\nMore.\r\n"],
        );
        self::assertSame([], $this->rows('/tray'));
        self::assertTrue($this->row($id)['muted']);
        $this->decide('bring_back', [$id]);
        self::assertFalse($this->row($id)['muted']);
    }

    /** @return array<mixed> */
    private function row(string $id): array
    {
        return (array) $this->call('GET', "/conversations/{$id}")['row'];
    }

    /** @return array{date: string, time: string} */
    private function inADay(): array
    {
        return ['date' => (new \DateTimeImmutable('+2 days'))->format('Y-m-d'), 'time' => '09:00'];
    }

    private static function string(mixed $value): string
    {
        self::assertIsString($value);

        return $value;
    }
}

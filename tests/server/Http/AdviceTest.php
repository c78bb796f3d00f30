<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use ZippyTray\Server\Work\ReadWanted;
use ZippyTray\Tests\Server\ApiTestCase;

final class AdviceTest extends ApiTestCase
{
    public function testARowTellsWhatIsAdvisedAndAnOpenConversationWhyAndWhere(): void
    {
        $this->signIn();
        $id = $this->receive('Drawings', text: 'Hello Wren, could you send me the drawings by 4 December 2030?');
        $glance = (array) $this->rows('/tray')[0]['advice'];
        self::assertSame(['task', 'asks'], [$glance['decision'], $glance['group']]);

        $open = $this->call('GET', "/conversations/{$id}");
        $advice = (array) $open['advice'];
        self::assertSame('Send Tam the drawings', $advice['title']);
        self::assertNotEmpty($advice['reasons']);
        /**
         * @var list<array{
         *     text: string,
         *     found: array{requests: list<array{from: int, to: int}>, dates: list<array{date: string}>}
         * }> $messages
         */
        $messages = $open['messages'];
        $request = $messages[0]['found']['requests'][0];
        self::assertSame(
            'could you send me the drawings by 4 December 2030?',
            mb_substr($messages[0]['text'], $request['from'], $request['to'] - $request['from']),
        );
        self::assertSame('2030-12-04', $messages[0]['found']['dates'][0]['date']);
    }

    public function testTheSameTaskIsProposedFromAListAndInTheOpenConversation(): void
    {
        $this->signIn();
        $this->settle(['taskDue' => 'in 3 days', 'taskReminder' => '1 day before']);
        $drawings = $this->receive('Drawings', text: 'Hello Wren, could you send me the drawings by 4 December 2026?');
        $lamp = $this->receive(
            'Lamp',
            text: "Could you look at these before the inspection:\r\n\r\n- the wick\r\n- the glass\r\n- the door\r\n",
        );
        $proposals = $this->call('POST', '/proposals', ['conversations' => [$lamp, $drawings]]);
        self::assertSame([$lamp, $drawings], array_column($proposals, 'conversation'), 'in the order in which they were asked for');
        foreach ([$lamp, $drawings] as $index => $id) {
            self::assertSame($this->call('GET', '/conversations/'.$id)['proposal'], ((array) $proposals[$index])['proposal']);
        }
        [$ofLamp, $ofDrawings] = array_map(static fn (mixed $one): array => (array) ((array) $one)['proposal'], $proposals);
        self::assertSame(['the wick', 'the glass', 'the door'], array_column((array) $ofLamp['subtasks'], 'title'));
        self::assertSame(
            [$this->day(3), ['1 day before']],
            [((array) $ofLamp['due'])['date'], $ofLamp['reminders']],
            'what the person has set, as the letter names none',
        );
        self::assertSame(['Send Tam the drawings', '2026-12-04'], [$ofDrawings['title'], ((array) $ofDrawings['due'])['date']]);

        $this->signIn($this->account('other@ternpoint.example'));
        self::assertSame(
            [null],
            array_column($this->call('POST', '/proposals', ['conversations' => [$lamp]]), 'proposal'),
            'Of what is not theirs nothing is said.',
        );
        $this->call('POST', '/proposals', ['conversations' => []], 422);
    }

    public function testSomebodyWhomThePersonHasAnsweredIsKnown(): void
    {
        $this->signIn();
        $this->upload(
            ['own.eml' => "From: wren@ternpoint.example\r\nTo: Tam <TAM@glass.example>\r\nSubject: Hello\r\nMessage-ID: <own@x>\r\n\r\n"
                ."Hello.\r\n"],
        );
        $id = $this->receive('Drawings', text: 'Which colour do you prefer?');
        self::assertContains(
            'You have written to this person before.',
            (array) ((array) $this->call('GET', "/conversations/{$id}")['advice'])['reasons'],
        );
    }

    public function testWhatThePersonAnsweredIsNotAskedAgain(): void
    {
        $this->signIn();
        $id = $this->receive('Glass', text: 'Which one shall it be?', id: 'glass@glass.example');
        $this->upload([
            'own.eml' => "From: wren@ternpoint.example\r\nTo: tam@glass.example\r\nSubject: Re: Glass\r\nMessage-ID: <own@x>\r\n"
                ."In-Reply-To: <glass@glass.example>\r\nDate: Tue, 3 Nov 2026 08:00:00 +0000\r\n\r\nThe clear one.\r\n",
            'thanks.eml' => "From: tam@glass.example\r\nTo: wren@ternpoint.example\r\nSubject: Re: Glass\r\nMessage-ID: <thanks@x>\r\n"
                ."In-Reply-To: <own@x>\r\nDate: Wed, 4 Nov 2026 08:00:00 +0000\r\n\r\nThank you, that is clear.\r\n",
        ]);
        self::assertSame('archive', ((array) $this->call('GET', "/conversations/{$id}")['advice'])['decision']);
    }

    public function testTheOrderOfDatesIsThePersonsAndReadsMailAnew(): void
    {
        $this->signIn();
        $id = $this->receive('Appointment', text: 'Your appointment is on 04/05/2030 at 14:00.');
        self::assertSame('2030-05-04', $this->date($id));
        $this->settle(['dayFirst' => false]);
        $conversation = $this->call('GET', "/conversations/{$id}");
        self::assertSame([null, null], [$conversation['advice'], $conversation['proposal']], 'In a request nothing is read.');
        self::assertNull($this->rows('/tray')[0]['advice']);
        $marks = (array) $this->call('GET', '/heartbeat')['marks'];
        self::assertSame(1, $marks['unread']);
        $read = $marks['read'];
        self::assertSame(
            ['It has not been read yet, and may ask for something.'],
            array_column((array) $this->call('GET', '/rest')['held'], 'reason'),
        );
        self::assertSame(1, $this->service(ReadWanted::class)(static fn (): bool => false));
        self::assertSame('2030-04-05', $this->date($id));
        $marks = (array) $this->call('GET', '/heartbeat')['marks'];
        self::assertSame(0, $marks['unread']);
        self::assertNotSame($read, $marks['read'], 'Who has seen none waiting before and after still hears of it.');
        self::assertSame(0, $this->service(ReadWanted::class)(static fn (): bool => false));
    }

    public function testOfManyThatAreBroughtInTheWorkerReadsTheMost(): void
    {
        $this->signIn();
        $letters = implode(
            '',
            array_map(
                static fn (int $n): string => "From tam@glass.example Mon Nov  2 08:00:00 2026\nFrom: tam@glass.example\n"
                    ."To: wren@ternpoint.example\nSubject: Letter {$n}\nMessage-ID: <{$n}@glass.example>\n"
                    ."Date: Mon, 2 Nov 2026 08:00:00 +0000\n\nCould you send me plan {$n}?\n\n",
                range(1, 80),
            ),
        );
        self::assertSame(80, $this->upload(['many.mbox' => $letters])['new']);
        self::assertSame(30, ((array) $this->call('GET', '/heartbeat')['marks'])['unread']);
        self::assertCount(30, array_filter($this->rows('/tray'), static fn (array $row): bool => null === $row['advice']));
        self::assertSame(30, $this->service(ReadWanted::class)(static fn (): bool => false));
        self::assertNotContains(null, array_column($this->rows('/tray'), 'advice'));
    }

    public function testWhatWasFoundIsKeptAndGoesWithItsMessage(): void
    {
        $this->signIn();
        $id = $this->receive();
        $connection = $this->service(Connection::class);
        self::assertSame(1, $connection->fetchOne('SELECT COUNT(*) FROM message_findings'));
        $this->decide('delete', [$id]);
        $this->call('DELETE', '/bin?id='.self::id());
        self::assertSame(0, $connection->fetchOne('SELECT COUNT(*) FROM message_findings'));
    }

    private function date(string $id): mixed
    {
        return ((array) ((array) $this->call('GET', "/conversations/{$id}")['advice'])['date'])['date'];
    }
}

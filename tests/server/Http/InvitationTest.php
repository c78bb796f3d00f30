<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Http;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\Arrival\Arrive;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\Post\Outgoings;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\MailWays;
use ZippyTray\Server\Mailroom\Out\BuildMessage;
use ZippyTray\Server\Work\FollowCalendarMail;
use ZippyTray\Tests\Server\ApiTestCase;

/**
 * Invitations that came by mail. It is Tuesday 24 November 2026.
 *
 * @phpstan-import-type Json from ApiTestCase
 */
final class InvitationTest extends ApiTestCase
{
    private Account $wren;

    protected function setUp(): void
    {
        parent::setUp();
        $this->wren = $this->signIn();
        $this->wren->connect(MailWays::postRoom());
        $this->service(EntityManagerInterface::class)->flush();
    }

    public function testAnInvitationIsAcceptedByMailAndStandsInTheAgenda(): void
    {
        $id = $this->invited();
        $shown = $this->call('GET', "/messages/{$id}/invitation");
        self::assertSame(
            ['Roof meeting', 'Fri 27 Nov 2026, 14:00 to 16:00', 'needs-action', [], [], [], null],
            [$shown['title'], $shown['when'], $shown['said'], $shown['changes'], $shown['clashes'], $shown['free'], $shown['event']],
        );
        $entry = $this->answer($id, ['answer' => 'accepted', 'comment' => 'I bring the survey.']);
        self::assertSame(['answer_invitation', 'Roof meeting'], [$entry['kind'], $entry['about']]);
        self::assertSame(['accepted', 'Olga'], [
            $this->events()[0]['answer'] ?? null, ((array) ($this->events()[0]['organiser'] ?? []))['name'] ?? null,
        ]);
        self::assertSame('accepted', $this->call('GET', "/messages/{$id}/invitation")['said']);
        self::assertSame(0, $this->counts()['tray']);
        $letter = $this->letter();
        foreach (['Subject: Accepted: Roof meeting', 'To: Olga <olga@slates.example>', 'I bring the survey.', 'text/calendar',
            'METHOD:REPLY', 'UID:roof@slates.example', 'PARTSTAT=ACCEPTED', 'COMMENT:I bring the survey.',
            'In-Reply-To: <invitation@slates.example>',
        ] as $part) {
            self::assertStringContainsString($part, $letter);
        }
        self::assertMatchesRegularExpression('/Content-Type: text\/calendar;[^:]*method=REPLY/', $letter);
        $this->undo($entry);
        self::assertSame([[], 1], [$this->events(), $this->counts()['tray']]);
        self::assertSame(0, $this->outgoing());
    }

    public function testOthersAreAskedToAnEventOfOnesOwnToldAnewAndThatItIsCalledOff(): void
    {
        $id = self::id();
        $fields = [
            'title' => 'Tide walk', 'when' => ['phrase' => 'friday 15:00-16:00'],
            'place' => 'Slip', 'people' => 'Olga <olga@slates.example>',
            'reminders' => ['1 hour before'],
        ];
        $entry = $this->call('PUT', "/events/{$id}", ['entry' => self::id(), 'fields' => $fields, 'tell' => true], 201);
        self::assertStringEndsWith('one person is told', self::text($entry['consequence']));
        $letter = $this->letter();
        foreach (['Subject: Invitation: Tide walk', 'To: Olga <olga@slates.example>', 'METHOD:REQUEST', 'ORGANIZER;CN=Wren Halloran',
            'PARTSTAT=NEEDS-ACTION', 'LOCATION:Slip', "UID:{$id}", 'Fri 27 Nov 2026, 15:00 to 16:00, Slip',
        ] as $part) {
            self::assertStringContainsString($part, $letter);
        }
        self::assertStringNotContainsString('VALARM', $letter, 'When somebody wants to be reminded is their own.');
        $key = $this->events()[0]['key'];
        $this->call('POST', '/events/moves', ['entry' => self::id(), 'moves' => [
            ['id' => $id, 'key' => $key, 'when' => ['date' => '2026-11-27', 'time' => '16:00']],
        ]]);
        self::assertTrue($this->events()[0]['news'], 'It was moved, and nobody knows.');
        $changed = ['when' => ['phrase' => 'friday 16:00-17:00']] + $fields;
        $this->call('POST', "/events/{$id}/changes", ['entry' => self::id(), 'key' => null, 'fields' => $changed, 'tell' => true]);
        self::assertFalse($this->events()[0]['news']);
        self::assertStringContainsString('Subject: Changed: Tide walk', $this->letter());
        $entry = $this->call('POST', "/events/{$id}/removals", ['entry' => self::id(), 'key' => null, 'tell' => true]);
        $letter = $this->letter();
        foreach (['Subject: Called off: Tide walk', 'METHOD:CANCEL', 'STATUS:CANCELLED', 'SEQUENCE:2'] as $part) {
            self::assertStringContainsString($part, $letter);
        }
        $this->undo($entry);
        self::assertCount(1, $this->events());
        self::assertSame(2, $this->outgoing());
    }

    public function testNobodyIsToldWhereNoMailGoesOut(): void
    {
        $this->wren->connect(MailWays::none());
        $this->service(EntityManagerInterface::class)->flush();
        $problem = $this->call('PUT', '/events/'.self::id(), ['entry' => self::id(), 'tell' => true, 'fields' => [
            'title' => 'Tide walk', 'when' => ['phrase' => 'friday'], 'people' => 'olga@slates.example',
        ]], 422);
        self::assertSame(['tell'], array_column((array) $problem['violations'], 'field'));
        self::assertSame([], $this->events());
    }

    public function testAClashIsShownWithTimesNearIt(): void
    {
        $this->call('PUT', '/events/'.self::id(), ['entry' => self::id(), 'fields' => [
            'title' => 'Coast Radio', 'when' => ['phrase' => 'friday 15:00-16:00'],
        ]], 201);
        $shown = $this->call('GET', '/messages/'.$this->invited().'/invitation');
        self::assertSame(['Coast Radio'], array_column((array) $shown['clashes'], 'title'));
        self::assertSame(['12:00', '12:30', '13:00'], array_column((array) $shown['free'], 'time'));
    }

    public function testItIsDeclinedAndAnotherTimeIsProposed(): void
    {
        $id = $this->invited();
        $declined = $this->answer($id, ['answer' => 'declined']);
        self::assertSame([], $this->events(), 'What is declined does not get into the agenda.');
        self::assertStringContainsString('PARTSTAT=DECLINED', $this->letter());
        $this->undo($declined);
        $this->answer($id, ['answer' => 'tentative', 'proposed' => ['date' => '2026-11-30', 'time' => '10:00']]);
        $letter = $this->letter();
        foreach (['METHOD:COUNTER', 'DTSTART;TZID=Europe/Dublin:20261130T100000', 'DURATION:PT120M', 'Would Mon 30 Nov 2026'] as $part) {
            self::assertStringContainsString($part, $letter);
        }
        self::assertSame(
            ['tentative', ['date' => '2026-11-27', 'time' => '14:00']],
            [$this->events()[0]['answer'], $this->events()[0]['begins']],
        );
    }

    public function testANewerInvitationSaysWhatIsOtherwise(): void
    {
        $this->answer($this->invited(), ['answer' => 'accepted']);
        $newer = $this->invited('second@slates.example', 2, '20261127T150000', 'Tower');
        $shown = $this->call('GET', "/messages/{$newer}/invitation");
        self::assertSame(['It was Fri 27 Nov 2026, 14:00 to 16:00.', 'It was in: Keeper kitchen.'], $shown['changes']);
        $this->answer($newer, ['answer' => 'accepted']);
        self::assertSame(
            [['date' => '2026-11-27', 'time' => '15:00'], 'Tower'],
            [$this->events()[0]['begins'], $this->events()[0]['place']],
        );
        $older = $this->invited('third@slates.example', 1, '20261127T110000', 'Cellar');
        self::assertTrue($this->call('GET', "/messages/{$older}/invitation")['old']);
    }

    public function testWhoAsksChangesItAndCallsItOffAndNobodyElse(): void
    {
        $this->answer($this->invited(), ['answer' => 'accepted']);
        $newer = $this->invited('second@slates.example', 2, '20261127T150000', 'Tower');
        $this->follow();
        self::assertSame([['date' => '2026-11-27', 'time' => '15:00'], 'Tower', 'needs-action'], [
            $this->events()[0]['begins'], $this->events()[0]['place'], $this->events()[0]['answer'],
        ]);
        self::assertSame(
            ['Olga has changed it: it was Fri 27 Nov 2026, 14:00 to 16:00, it was in: Keeper kitchen.'],
            $this->call('GET', "/messages/{$newer}/invitation")['changes'],
        );
        $this->invited('older@slates.example', 1, '20261127T110000', 'Cellar');
        $this->invited('forged@evil.example', 9, '20261127T110000', 'Cellar', 'REQUEST', 'Somebody <x@evil.example>');
        $this->invited('forged2@evil.example', 9, '20261127T110000', 'Cellar', 'CANCEL', 'Somebody <x@evil.example>');
        $this->follow();
        self::assertSame(['Tower', 'confirmed'], [$this->events()[0]['place'], $this->events()[0]['status']]);
        $this->invited('third@slates.example', 3, '20261127T150000', 'Tower', 'CANCEL');
        $this->follow();
        self::assertSame(['cancelled', false], [$this->events()[0]['status'], $this->events()[0]['busy']]);
        $this->follow();
        self::assertSame(0, $this->service(Connection::class)->fetchOne('SELECT COUNT(*) FROM calendar_mail'));
    }

    public function testOnesOwnRemindersStayWhenItIsToldAnew(): void
    {
        $this->answer($this->invited(), ['answer' => 'accepted']);
        $event = $this->events()[0];
        self::assertIsString($event['id']);
        $this->call('POST', "/events/{$event['id']}/changes", ['entry' => self::id(), 'key' => null, 'fields' => [
            'title' => 'Roof meeting', 'when' => ['phrase' => 'Fri 27 Nov 2026, 14:00 to 16:00'], 'place' => 'Keeper kitchen',
            'people' => 'wren@ternpoint.example', 'reminders' => ['1 hour before'],
        ]]);
        $this->invited('second@slates.example', 2, '20261127T150000');
        $this->follow();
        $sheet = $this->call('GET', "/events/{$event['id']}");
        self::assertSame(
            ['Fri 27 Nov 2026, 15:00 to 17:00', ['1 hour before']],
            [$sheet['when'], $sheet['reminders']],
        );
    }

    public function testWhoIsAskedAnswersAndIsCounted(): void
    {
        $id = self::id();
        $this->call('PUT', "/events/{$id}", ['entry' => self::id(), 'fields' => [
            'title' => 'Lamp', 'when' => ['phrase' => 'friday 9:00'], 'people' => 'Olga <olga@slates.example>, Ilse <ilse@isle.example>',
        ]], 201);
        $this->reply($id, 'ilse@isle.example', 'ilse@isle.example', 'ACCEPTED');
        $this->reply($id, 'ilse@isle.example', 'olga@slates.example', 'DECLINED');
        $this->follow();
        self::assertSame(
            ['olga@slates.example' => 'needs-action', 'ilse@isle.example' => 'accepted'],
            array_column((array) $this->call('GET', "/events/{$id}")['participants'], 'answer', 'email'),
            'Nobody answers for somebody else.',
        );
    }

    public function testNonsenseIsRefusedAndMailWithoutAnInvitationHasNone(): void
    {
        $id = $this->invited();
        $this->call('POST', "/messages/{$id}/invitation/answers", ['entry' => self::id(), 'answer' => 'needs-action'], 422);
        $this->call('POST', "/messages/{$id}/invitation/answers", ['entry' => self::id(), 'answer' => 'maybe'], 422);
        $this->call('POST', "/messages/{$id}/invitation/answers", [
            'entry' => self::id(), 'answer' => 'tentative', 'proposed' => ['phrase' => 'blursday'],
        ], 422);
        $plain = $this->arrived(
            "From: a@b.example\r\nTo: wren@ternpoint.example\r\nSubject: x\r\nMessage-ID: <plain@b.example>\r\n\r\nHello\r\n",
        );
        $this->call('GET', "/messages/{$plain}/invitation", status: 404);
        $this->signIn($this->account('ada@ternpoint.example', 'Ada'));
        $this->call('GET', "/messages/{$id}/invitation", status: 404);
    }

    private function invited(
        string $header = 'invitation@slates.example',
        int $sequence = 0,
        string $start = '20261127T140000',
        string $place = 'Keeper kitchen',
        string $method = 'REQUEST',
        string $from = 'Olga <olga@slates.example>',
    ): string {
        return $this->arrived(implode("\r\n", [
            "From: {$from}", 'To: wren@ternpoint.example', 'Subject: Invitation: Roof meeting', 'MIME-Version: 1.0',
            'Date: Tue, 24 Nov 2026 09:00:00 +0000', "Message-ID: <{$header}>", 'Content-Type: multipart/alternative; boundary=b', '',
            '--b', 'Content-Type: text/plain', '', 'Please come.', '--b',
            "Content-Type: text/calendar; method={$method}; charset=utf-8", '',
            'BEGIN:VCALENDAR', 'VERSION:2.0', "METHOD:{$method}", 'BEGIN:VEVENT', 'UID:roof@slates.example', "SEQUENCE:{$sequence}",
            "DTSTART;TZID=Europe/Dublin:{$start}", 'DURATION:PT2H', 'SUMMARY:Roof meeting', "LOCATION:{$place}",
            'ORGANIZER;CN=Olga:mailto:olga@slates.example', 'ATTENDEE;PARTSTAT=NEEDS-ACTION:mailto:wren@ternpoint.example',
            'END:VEVENT', 'END:VCALENDAR', '--b--', '',
        ]));
    }

    private function reply(string $uid, string $from, string $who, string $answer): void
    {
        $this->arrived(implode("\r\n", [
            "From: {$from}", 'To: wren@ternpoint.example', 'Subject: Re: Lamp', 'MIME-Version: 1.0',
            'Message-ID: <'.self::id().'@isle.example>',
            'Content-Type: text/calendar; method=REPLY; charset=utf-8', '', 'BEGIN:VCALENDAR', 'VERSION:2.0',
            'METHOD:REPLY', 'BEGIN:VEVENT',
            "UID:{$uid}", 'DTSTART:20261127T090000Z', 'SUMMARY:Lamp', "ATTENDEE;PARTSTAT={$answer}:mailto:{$who}",
            'ORGANIZER:mailto:wren@ternpoint.example', 'END:VEVENT', 'END:VCALENDAR', '',
        ]));
    }

    private function follow(): void
    {
        ($this->service(FollowCalendarMail::class))(static fn (): bool => false);
    }

    private function arrived(string $raw): string
    {
        ($this->service(Arrive::class))($this->wren->recipient(), $raw);
        $id = $this->service(Connection::class)->fetchOne('SELECT id FROM message ORDER BY rowid DESC LIMIT 1');
        self::assertIsString($id);

        return $id;
    }

    /**
     * @param Json $answer
     *
     * @return array<mixed>
     */
    private function answer(string $id, array $answer): array
    {
        return $this->call('POST', "/messages/{$id}/invitation/answers", ['entry' => self::id()] + $answer);
    }

    /** @return list<Json> from the 27th on */
    private function events(): array
    {
        /** @var list<Json> $events */
        $events = $this->call('GET', '/agenda?from=2026-11-27')['events'];

        return $events;
    }

    private function outgoing(): int
    {
        return (int) self::text(
            (string) json_encode($this->service(Connection::class)->fetchOne('SELECT COUNT(*) FROM outgoing WHERE state <> ?', ['draft'])),
        );
    }

    /** The newest as it would go out, unfolded. */
    private function letter(): string
    {
        $id = self::text($this->service(Connection::class)->fetchOne('SELECT id FROM outgoing ORDER BY rowid DESC LIMIT 1'));
        $outgoing = $this->service(Outgoings::class)->get($this->wren->id, new OutgoingId($id));
        $raw = ($this->service(BuildMessage::class))($this->wren, $outgoing, new \DateTimeImmutable('2026-11-24T10:00:00Z'));

        return (string) preg_replace('/\r\n[ \t]/', '', quoted_printable_decode($raw));
    }
}

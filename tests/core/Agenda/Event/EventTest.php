<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda\Event;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Event\Answer;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Event\EventFields;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\Agenda\Event\EventStatus;
use ZippyTray\Core\Agenda\Event\EventTime;
use ZippyTray\Core\Agenda\Event\Occurrence;
use ZippyTray\Core\Agenda\Event\Participant;
use ZippyTray\Core\Agenda\Event\ToldEvent;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Lead;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\Span;
use ZippyTray\Core\Time\TimeOfDay;

final class EventTest extends TestCase
{
    private const ID = '00000000-0000-4000-8000-000000000001';

    /** @return iterable<string, array{string, string, string, string, string}> when, repeat, from, until, what is seen from Dublin */
    public static function days(): iterable
    {
        yield 'once' => ['2026-11-24 14:00 90', '', '2026-11-24', '2026-11-24', '24 14:00'];
        yield 'not on another day' => ['2026-11-24 14:00 90', '', '2026-11-25', '2026-11-30', ''];
        yield 'over midnight, seen on the day behind it' => ['2026-11-24 23:00 90', '', '2026-11-25', '2026-11-25', '24 23:00'];
        yield 'until midnight it is not on the next day' => ['2026-11-24 23:00 60', '', '2026-11-25', '2026-11-25', ''];
        yield 'over several days' => ['2026-11-24 23:00 4320', '', '2026-11-26', '2026-11-26', '24 23:00'];
        yield 'a moment' => ['2026-11-24 23:00 0', '', '2026-11-24', '2026-11-24', '24 23:00'];
        yield 'elsewhere it is the day before' => ['2026-11-25 08:00 60 Asia/Tokyo', '', '2026-11-24', '2026-11-24', '24 23:00'];
        yield 'whole days' => ['2026-11-24 3', '', '2026-11-26', '2026-11-27', '24'];
        yield 'whole days are the same everywhere' => ['2026-11-24 1', '', '2026-11-25', '2026-11-27', ''];
        yield 'each week' => ['2026-11-24 14:00 90', 'FREQ=WEEKLY', '2026-12-01', '2026-12-20', '01 14:00, 08 14:00, 15 14:00'];
        yield 'not before its first' => ['2026-11-24 14:00 90', 'FREQ=WEEKLY', '2026-11-01', '2026-11-25', '24 14:00'];
        yield 'until a moment, that included' => [
            '2026-11-24 14:00 90', 'FREQ=DAILY;UNTIL=20261126T140000Z', '2026-11-25', '2026-12-25', '25 14:00, 26 14:00',
        ];
        yield 'until a moment before it' => [
            '2026-11-24 14:00 90',
            'FREQ=DAILY;UNTIL=20261126T135959Z',
            '2026-11-25',
            '2026-12-25',
            '25 14:00',
        ];
        yield 'by the clocks of its own zone' => [
            '2026-10-23 09:00 60 America/New_York', 'FREQ=WEEKLY;COUNT=3', '2026-10-01', '2026-12-01', '23 14:00, 30 13:00, 06 14:00',
        ];
        yield 'a time that the clock skips' => [
            '2027-03-27 01:30 60',
            'FREQ=DAILY;COUNT=3',
            '2027-03-01',
            '2027-04-01',
            '27 01:30, 28 02:30, 29 01:30',
        ];
        yield 'each month from the 31st' => ['2027-01-31 2', 'FREQ=MONTHLY', '2027-02-02', '2027-06-30', '31, 31'];
        yield 'a long one of a series' => ['2026-11-20 14:00 5760', 'FREQ=WEEKLY', '2026-11-30', '2026-11-30', '27 14:00'];
        yield 'for ever' => ['1990-01-01 09:00 15', 'FREQ=DAILY;BYDAY=MO,TU,WE,TH,FR', '2026-11-27', '2026-11-30', '27 09:00, 30 09:00'];
    }

    #[DataProvider('days')]
    public function testWhenItTakesPlace(string $when, string $repeat, string $from, string $until, string $seen): void
    {
        self::assertSame($seen, self::seen(self::event($when, $repeat), $from, $until));
    }

    public function testOneOfASeriesIsToldAnewAndAnotherLeftOut(): void
    {
        $event = self::event('2026-11-24 14:00 90', 'FREQ=WEEKLY;COUNT=4');
        $event->except('2026-12-01T14:00:00Z', null);
        $event->except('2026-12-08T14:00:00Z', self::fields('2026-12-20 10:00 30', '', 'Elsewhere'));
        self::assertSame('24 14:00, 15 14:00, 20 10:00', self::seen($event, '2026-11-01', '2026-12-31'));
        $told = $event->occurrence('2026-12-08T14:00:00Z');
        self::assertSame(['Elsewhere', true], [$told?->fields()->title, $told?->isTold()]);
        self::assertNull($event->occurrence('2026-12-01T14:00:00Z'));
        self::assertNull($event->occurrence('2026-12-02T14:00:00Z'));
        self::assertNull($event->occurrence('x'));
        self::assertSame(2, $event->sequence());

        $event->tell(self::fields('2026-11-25 15:00 60', 'FREQ=WEEKLY;COUNT=4'));
        self::assertSame('25 15:00, 16 15:00, 20 10:00', self::seen($event, '2026-11-01', '2026-12-31'), 'Exceptions go along.');
        $event->tell(self::fields('2026-11-25 15:00 60', ''));
        self::assertSame('25 15:00', self::seen($event, '2026-11-01', '2026-12-31'));
    }

    public function testDaysBesidesTheRule(): void
    {
        $event = self::event('2026-11-24 14:00 90', '');
        $told = new ToldEvent(
            'roof',
            self::fields('2026-11-24 14:00 90', ''),
            3,
            EventStatus::Tentative,
            new Address('ilse@isle.example', 'Ilse'),
            ['2026-11-26T09:00:00Z' => null],
            ['2026-11-26T09:00:00Z', '2026-11-28T16:00:00Z'],
            ['X-COLOUR:blue'],
        );
        self::assertFalse($event->isSameAs($told));
        $event->take($told);
        self::assertTrue($event->isSameAs($told));
        self::assertSame('24 14:00, 28 16:00', self::seen($event, '2026-11-01', '2026-12-31'));
        self::assertSame([3, 'Ilse', ['X-COLOUR:blue']], [$event->sequence(), $event->organiser()?->name, $event->other()]);
        self::assertTrue($event->isRepeating());
    }

    public function testWhatIsToldOfOneOfASeriesLeavesTheOthersAsTheyAre(): void
    {
        $event = self::event('2026-11-24 14:00 90', 'FREQ=WEEKLY;COUNT=3');
        $event->take(new ToldEvent('roof', self::fields('2026-12-02 10:00 30', ''), 1, partOf: '2026-12-01T14:00:00Z'));
        self::assertSame('24 14:00, 02 10:00, 08 14:00', self::seen($event, '2026-11-01', '2026-12-31'));
        $event->take(new ToldEvent('roof', self::fields('2026-12-03 10:00 30', ''), 2, partOf: '2026-12-05T14:00:00Z'));
        self::assertSame('24 14:00, 02 10:00, 08 14:00', self::seen($event, '2026-11-01', '2026-12-31'));
    }

    public function testWhatIsKeptIsRevivedAsItWas(): void
    {
        $fields = new EventFields(
            ' Roof   meeting ',
            EventTime::from(Due::at(LocalDate::parse('2026-11-27'), TimeOfDay::parse('14:00'), new \DateTimeZone('Europe/Dublin')), 120),
            'Keeper’s kitchen',
            "Bring the survey.\nAnd tea.",
            'FREQ=WEEKLY;BYDAY=FR',
            [
                new Participant(new Address('olga@slates.example', 'Olga'), Answer::Accepted),
                new Participant(new Address('x@y.example'), isOptional: true),
            ],
            [Reminder::lead(new Lead(new Span(minutes: 30)))],
            true,
        );
        $event = new Event(new EventId(self::ID), new AccountId(self::ID), $fields);
        $event->except('2026-12-04T14:00:00Z', null);
        /** @var array<string, mixed> $state */
        $state = json_decode((string) json_encode($event->state()), true);
        $same = Event::revived($event->id, $event->accountId, $state);
        self::assertEquals($event->state(), $same->state());
        self::assertEquals(['Roof meeting', $fields], [$same->fields()->title, $same->fields()->at($fields->time)]);
        self::assertSame([self::ID, true, null], [$same->uid(), $same->fields()->isBusy(), $same->source()]);
        self::assertFalse(self::event('2026-11-24 1', '')->fields()->isBusy(), 'Whole days do not take the hours by themselves.');
    }

    /** @return iterable<string, array{string, string}> */
    public static function texts(): iterable
    {
        yield 'hours' => ['2026-11-27 14:00 120', 'Fri 27 Nov 2026, 14:00 to 16:00'];
        yield 'over midnight' => ['2026-11-27 23:00 120', 'Fri 27 Nov 2026, 23:00 to Sat 28 Nov 2026, 01:00'];
        yield 'a moment' => ['2026-11-27 14:00 0', 'Fri 27 Nov 2026, 14:00'];
        yield 'a day' => ['2026-11-27 1', 'Fri 27 Nov 2026'];
        yield 'days' => ['2026-11-27 3', 'Fri 27 Nov 2026 to Sun 29 Nov 2026'];
    }

    #[DataProvider('texts')]
    public function testATimeInWords(string $when, string $text): void
    {
        self::assertSame($text, self::time($when)->text());
        self::assertEquals(self::time($when), EventTime::fromState(self::time($when)->state()));
    }

    /** @return iterable<string, array{\Closure(): mixed, string}> */
    public static function nonsense(): iterable
    {
        yield 'no title' => [static fn (): EventFields => new EventFields(" \n", self::time('2026-11-27 1')), 'title'];
        yield 'a long place' => [
            static fn (): EventFields => new EventFields('x', self::time('2026-11-27 1'), str_repeat('x', 501)),
            'place',
        ];
        yield 'no repeat' => [static fn (): EventFields => self::fields('2026-11-27 1', 'FREQ=HOURLY'), 'repeat'];
        yield 'backwards' => [static fn (): EventTime => self::time('2026-11-27 14:00 -5'), 'end'];
        yield 'no days' => [static fn (): EventTime => self::time('2026-11-27 0'), 'end'];
        yield 'years' => [static fn (): EventTime => self::time('2026-11-27 367'), 'end'];
        yield 'years by minutes' => [static fn (): EventTime => self::time('2026-11-27 14:00 530000'), 'end'];
    }

    /** @param \Closure(): mixed $make */
    #[DataProvider('nonsense')]
    public function testWhatCannotBe(\Closure $make, string $field): void
    {
        try {
            $make();
            self::fail('It was taken.');
        } catch (Refused $refused) {
            self::assertSame($field, $refused->field);
        }
    }

    /** Looking at a part of the days gives that part of all. */
    public function testPartsAreTheWhole(): void
    {
        mt_srand(9);
        $zone = new \DateTimeZone('Europe/Dublin');
        for ($case = 0; $case < 60; ++$case) {
            $first = LocalDate::parse('2026-09-01')->plusDays(mt_rand(0, 90));
            $when = 0 === mt_rand(0, 2)
                ? $first.' '.mt_rand(1, 3)
                : \sprintf(
                    '%s %02d:30 %d %s',
                    $first,
                    mt_rand(0, 23),
                    mt_rand(1, 4000),
                    ['Europe/Dublin', 'Asia/Tokyo', 'America/New_York'][mt_rand(0, 2)],
                );
            $event = self::event(
                $when,
                'FREQ='.['DAILY;INTERVAL=3', 'WEEKLY;BYDAY=MO,TH', 'MONTHLY'][mt_rand(0, 2)].['', ';COUNT=9'][mt_rand(0, 1)],
            );
            $from = LocalDate::parse('2026-08-01');
            $all = $event->between($from, $from->plusDays(200), $zone);
            $parts = [];
            for ($day = 0; $day <= 200; $day += 5) {
                foreach ($event->between($from->plusDays($day), $from->plusDays(min(200, $day + 4)), $zone) as $one) {
                    $parts[$one->key] = true;
                }
            }
            self::assertSame(
                array_map(static fn (Occurrence $one): string => $one->key, $all),
                array_map(strval(...), array_keys($parts)),
                $when,
            );
        }
    }

    private static function event(string $when, string $repeat): Event
    {
        return new Event(new EventId(self::ID), new AccountId(self::ID), self::fields($when, $repeat));
    }

    private static function fields(string $when, string $repeat, string $title = 'Roof meeting'): EventFields
    {
        return new EventFields($title, self::time($when), repeat: $repeat);
    }

    /** "2026-11-27 14:00 90", "2026-11-27 14:00 90 Asia/Tokyo", or a number of whole days "2026-11-27 2" */
    private static function time(string $text): EventTime
    {
        $parts = explode(' ', $text);
        $date = LocalDate::parse($parts[0]);

        return \count($parts) < 3
            ? EventTime::days($date, (int) $parts[1])
            : EventTime::from(
                Due::at($date, TimeOfDay::parse($parts[1]), new \DateTimeZone($parts[3] ?? 'Europe/Dublin')),
                (int) $parts[2],
            );
    }

    private static function seen(Event $event, string $from, string $until): string
    {
        $zone = new \DateTimeZone('Europe/Dublin');

        return implode(', ', array_map(
            static fn (Occurrence $one): string => $one->time->start()?->instant->setTimezone($zone)->format('d H:i')
                ?? $one->time->begins->date->format('d'),
            $event->between(LocalDate::parse($from), LocalDate::parse($until), $zone),
        ));
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Calendar;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Psr\Log\NullLogger;
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
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\ReadReminder;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Server\Calendar\CalendarFile;
use ZippyTray\Server\Calendar\ReadCalendar;
use ZippyTray\Server\Calendar\WriteCalendar;

/**
 * Calendar files of other programs, and our own there and back.
 */
final class ReadCalendarTest extends TestCase
{
    private const ID = '00000000-0000-4000-8000-000000000001';

    /** @return iterable<string, array{string, string, list<string>}> lines of an event, when it is seen from Dublin, what was left out */
    public static function events(): iterable
    {
        yield 'in UTC' => ['DTSTART:20261127T140000Z|DTEND:20261127T160000Z', '27 14:00+120', []];
        yield 'in a zone' => ['DTSTART;TZID=America/New_York:20261127T090000|DURATION:PT1H30M', '27 14:00+90', []];
        yield 'in a zone by another name' => ['DTSTART;TZID=Eastern Standard Time:20261127T090000|DURATION:PT1H', '27 14:00+60', []];
        yield 'floating: where the person is' => ['DTSTART:20261127T140000', '27 14:00+0', []];
        yield 'a day' => ['DTSTART;VALUE=DATE:20261127', '27', []];
        yield 'days' => ['DTSTART;VALUE=DATE:20261127|DTEND;VALUE=DATE:20261130', '27..29', []];
        yield 'a day by its length' => ['DTSTART;VALUE=DATE:20261127|DURATION:P2D', '27..28', []];
        yield 'an end on the same day' => ['DTSTART;VALUE=DATE:20261127|DTEND;VALUE=DATE:20261127', '27', []];
        yield 'each week, but for one' => [
            'DTSTART;TZID=Europe/Dublin:20261103T090000|DURATION:PT1H|RRULE:FREQ=WEEKLY|'
                .'EXDATE;TZID=Europe/Dublin:20261110T090000,20261117T090000',
            '03 09:00+60, 24 09:00+60', [],
        ];
        yield 'on days besides' => ['DTSTART:20261103T090000Z|DURATION:PT1H|RDATE:20261105T100000Z,20261107T110000Z',
            '03 09:00+60, 05 10:00+60, 07 11:00+60', []];
        yield 'by a rule that is not about days' => ['DTSTART:20261127T090000Z|DURATION:PT5M|RRULE:FREQ=HOURLY;COUNT=3', '27 09:00+5',
            ['“Roof” comes again in a way that is not known here (FREQ=HOURLY;COUNT=3): only the first was taken.']];
        yield 'with a reminder at a moment' => [
            'DTSTART:20261127T090000Z|BEGIN:VALARM|ACTION:DISPLAY|TRIGGER;VALUE=DATE-TIME:20261127T080000Z|END:VALARM', '27 09:00+0',
            []];
        yield 'without a beginning' => ['SUMMARY:Nothing', '', ['“Nothing”: It does not say when it begins.']];
        yield 'that ends before it begins' => [
            'DTSTART:20261127T140000Z|DTEND:20261127T130000Z',
            '',
            ['“Roof”: It cannot end before it begins.'],
        ];
        yield 'at no time that there is' => ['DTSTART:20261345T990000Z', '', ['“Roof”: It is broken, and cannot be read.']];
    }

    /** @param list<string> $left */
    #[DataProvider('events')]
    public function testWhatOtherProgramsWrite(string $lines, string $seen, array $left): void
    {
        $has = str_contains($lines, 'SUMMARY') ? '' : "SUMMARY:Roof\r\n";
        $file = self::read(self::calendar("BEGIN:VEVENT\r\nUID:roof\r\n{$has}".str_replace('|', "\r\n", $lines)."\r\nEND:VEVENT\r\n"));
        self::assertSame([$seen, $left], [self::seen($file->events), $file->left]);
    }

    public function testOneOfASeriesIsToldApart(): void
    {
        $file = self::read(self::calendar(<<<'ICS'
            BEGIN:VEVENT
            UID:series
            RECURRENCE-ID:20261110T090000Z
            DTSTART:20261111T103000Z
            DURATION:PT45M
            SUMMARY:Standup\, moved
            LOCATION:Tower
            CATEGORIES:odd
            END:VEVENT
            BEGIN:VEVENT
            UID:series
            DTSTART:20261103T090000Z
            DURATION:PT15M
            SUMMARY:Standup
            RRULE:FREQ=WEEKLY;COUNT=4
            BEGIN:VALARM
            ACTION:DISPLAY
            TRIGGER:-PT10M
            END:VALARM
            END:VEVENT
            BEGIN:VEVENT
            UID:series
            RECURRENCE-ID:20261117T090000Z
            DTSTART:20261117T090000Z
            STATUS:CANCELLED
            SUMMARY:Standup
            END:VEVENT

            ICS));
        self::assertSame('03 09:00+15, 11 10:30+45, 24 09:00+15', self::seen($file->events));
        self::assertSame(['“Standup, moved” on 2026-11-10: CATEGORIES.'], $file->left);
        self::assertSame('10 minutes before', $file->events[0]->fields->reminders[0]->text());
    }

    public function testWhoAsksAndWhoComes(): void
    {
        $event = self::read(self::calendar(<<<'ICS'
            BEGIN:VEVENT
            UID:people
            SEQUENCE:3
            DTSTART:20261103T090000Z
            SUMMARY:Roof
            STATUS:TENTATIVE
            TRANSP:TRANSPARENT
            ORGANIZER;CN=Olga Brandt:mailto:olga@slates.example
            ATTENDEE;CN=Wren;PARTSTAT=ACCEPTED:mailto:wren@ternpoint.example
            ATTENDEE;ROLE=OPT-PARTICIPANT:MAILTO:ilse@isle.example
            ATTENDEE:urn:uuid:nobody
            X-THING;X-P=1:kept as it came
            END:VEVENT

            ICS))->events[0];
        self::assertSame(
            ['people', 3, EventStatus::Tentative, 'Olga Brandt', false, ['X-THING;X-P=1:kept as it came']],
            [$event->uid, $event->sequence, $event->status, $event->organiser?->name, $event->fields->isBusy(), $event->other],
        );
        self::assertSame(
            [['wren@ternpoint.example', Answer::Accepted, false], ['ilse@isle.example', Answer::None, true]],
            array_map(
                static fn (Participant $one): array => [$one->who->email, $one->answer, $one->isOptional],
                $event->fields->participants,
            ),
        );
        $mine = self::read(self::calendar(
            "BEGIN:VEVENT\r\nUID:x\r\nDTSTART:20261103T090000Z\r\nORGANIZER:mailto:Wren@TernPoint.example\r\nEND:VEVENT\r\n",
        ));
        self::assertNull($mine->events[0]->organiser);
        self::assertSame('An event without a title', $mine->events[0]->fields->title);
    }

    public function testWhatHasNoPlaceHereIsNamedAndTheRestIsTaken(): void
    {
        $file = self::read("\xEF\xBB\xBF".self::calendar(
            "METHOD:PUBLISH\r\nX-WR-CALNAME:Harbour\r\nBEGIN:VJOURNAL\r\nUID:j\r\nSUMMARY:x\r\nEND:VJOURNAL\r\n"
            ."BEGIN:VEVENT\r\nUID:a\r\nDTSTART:20261103T090000Z\r\nSUMMARY:A\r\nthis is no line\r\nEND:VEVENT\r\n",
        ).self::calendar("BEGIN:VTODO\r\nUID:t\r\nSUMMARY:Wax\r\nGEO:1;2\r\nDUE;VALUE=DATE:20261130\r\nEND:VTODO\r\n"));
        self::assertSame(['Harbour', 'publish', 1, 1], [$file->name, $file->method, \count($file->events), \count($file->tasks)]);
        self::assertSame(['VJOURNAL: such things have no place here.', '“Wax”: GEO.'], $file->left);
    }

    /** @return iterable<string, array{string}> */
    public static function hostile(): iterable
    {
        yield 'nothing' => [''];
        yield 'no calendar' => ['<html>'];
        yield 'far too many' => ["BEGIN:VCALENDAR\r\n".str_repeat("BEGIN:VEVENT\r\nEND:VEVENT\r\n", ReadCalendar::MOST)];
        yield 'never ending' => ["BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\n"];
    }

    #[DataProvider('hostile')]
    public function testWhatIsNoCalendarIsRefused(string $bytes): void
    {
        $this->expectException(Refused::class);
        self::read($bytes);
    }

    public function testALineWithoutEndAndAThousandExceptionsAreBounded(): void
    {
        $dates = implode(
            ',',
            array_map(static fn (int $day): string => gmdate('Ymd\THis\Z', 1_800_000_000 + 86_400 * $day), range(1, 5000)),
        );
        $file = self::read(self::calendar(
            "BEGIN:VEVENT\r\nUID:a\r\nDTSTART:20270115T080000Z\r\nRRULE:FREQ=DAILY\r\nEXDATE:{$dates}\r\n"
            .'SUMMARY:'.str_repeat('x', 100_000)."\r\nX-LONG:".str_repeat('y', 100_000)."\r\nEND:VEVENT\r\n",
        ));
        $event = self::made($file->events[0]);
        self::assertLessThanOrEqual(Event::MOST_EXCEPTIONS, \count($event->exceptions()));
        self::assertSame([500, []], [mb_strlen($file->events[0]->fields->title), $file->events[0]->other]);
        self::assertCount(1, $file->left);
    }

    /** What is written here is read here without loss. */
    public function testThereAndBack(): void
    {
        mt_srand(11);
        for ($case = 0; $case < 150; ++$case) {
            $zone = new \DateTimeZone(self::one('Europe/Dublin', 'America/New_York', 'Asia/Kolkata', 'UTC', '+03:30'));
            $first = LocalDate::parse('2026-01-01')->plusDays(mt_rand(0, 700));
            $time = 0 === mt_rand(0, 2)
                ? EventTime::days($first, mt_rand(1, 4))
                : EventTime::from(
                    Due::at($first, TimeOfDay::parse(\sprintf('%02d:%02d', mt_rand(3, 23), mt_rand(0, 59))), $zone),
                    mt_rand(0, 3000),
                );
            $repeat = self::one(
                '',
                '',
                'FREQ=WEEKLY;BYDAY=MO,TH',
                'FREQ=MONTHLY;BYDAY=-1FR;COUNT=9',
                'FREQ=YEARLY;BYWEEKNO=20',
                'FREQ=DAILY;INTERVAL=3',
            );
            $speaker = self::speaker();
            $event = new Event(new EventId(self::ID), new AccountId(self::ID), new EventFields(
                self::one('Roof meeting', 'A; b, c\\d', 'Ärger: „Dach“', '“quoted” – dash'),
                $time,
                self::one('', 'Keeper’s kitchen; 1st floor'),
                self::one('', "One\nTwo, three\n\n- four", str_repeat('long words ', 60)),
                $repeat,
                self::one([], [new Participant(new Address('olga@slates.example', 'Olga "O" Brandt'), Answer::Tentative, true)]),
                self::one(
                    [],
                    [ReadReminder::of('30 min before', $speaker)],
                    [ReadReminder::of('2 working days before', $speaker), ReadReminder::of('the morning before', $speaker)],
                ),
                self::one(true, false),
            ));
            foreach ('' === $repeat ? [] : \array_slice(
                $event->between($first->plusDays(1), $first->plusDays(200), $zone),
                0,
                4,
            ) as $number => $occurrence) {
                $event->except($occurrence->key, 0 === $number % 2
                    ? null
                    : $occurrence->fields()->changed(
                        'Moved',
                        $occurrence->time->on($occurrence->time->begins->date->plusDays(1)),
                        'Tower',
                        '',
                    ));
            }
            $write = new WriteCalendar(new \DateTimeImmutable('2026-11-24T10:00:00Z'), new Address('wren@ternpoint.example', 'Wren'));
            $write->event($event);
            $text = $write->text();
            $file = self::read($text);
            self::assertSame([], $file->left, $text);
            $back = self::made($file->events[0]);
            self::assertSame(self::comparable($event->state()), self::comparable($back->state()), $text);
            foreach (explode("\r\n", trim($text)) as $line) {
                self::assertLessThanOrEqual(76, \strlen($line), 'RFC 5545, 3.1');
            }
        }
    }

    public function testZonesAreDescribed(): void
    {
        $write = new WriteCalendar(new \DateTimeImmutable('2026-11-24T10:00:00Z'), new Address('wren@ternpoint.example'));
        $time = EventTime::from(Due::at(LocalDate::parse('2026-11-27'), TimeOfDay::parse('14:00'), new \DateTimeZone('Europe/Berlin')), 30);
        $write->event(new Event(new EventId(self::ID), new AccountId(self::ID), new EventFields('Roof', $time)));
        $text = $write->text();
        self::assertStringContainsString('DTSTART;TZID=Europe/Berlin:20261127T140000', $text);
        self::assertSame(1, substr_count($text, 'BEGIN:VTIMEZONE'));
        self::assertStringContainsString(
            "BEGIN:DAYLIGHT\r\nDTSTART:20260329T020000\r\nTZOFFSETFROM:+0100\r\nTZOFFSETTO:+0200\r\nTZNAME:CEST",
            $text,
        );
        self::assertStringContainsString(
            "BEGIN:STANDARD\r\nDTSTART:20261025T030000\r\nTZOFFSETFROM:+0200\r\nTZOFFSETTO:+0100\r\nTZNAME:CET",
            $text,
        );
    }

    /** @param list<ToldEvent> $events */
    private static function seen(array $events): string
    {
        $zone = new \DateTimeZone('Europe/Dublin');
        $seen = [];
        foreach ($events as $told) {
            foreach (self::made($told)->between(LocalDate::parse('2026-11-01'), LocalDate::parse('2026-11-30'), $zone) as $one) {
                $seen[] = self::day($one, $zone);
            }
        }

        return implode(', ', $seen);
    }

    private static function day(Occurrence $one, \DateTimeZone $zone): string
    {
        $start = $one->time->start();
        if (null !== $start) {
            return $start->instant->setTimezone($zone)->format('d H:i').'+'.$one->time->minutes;
        }
        $last = $one->time->lastDay($zone);

        return $one->time->begins->date->format('d').($last->equals($one->time->begins->date) ? '' : '..'.$last->format('d'));
    }

    private static function made(ToldEvent $told): Event
    {
        $event = new Event(new EventId(self::ID), new AccountId(self::ID), $told->fields, $told->uid);
        $event->take($told);

        return $event;
    }

    /**
     * @template Thing
     *
     * @param Thing ...$all
     *
     * @return Thing
     */
    private static function one(mixed ...$all): mixed
    {
        return $all[mt_rand(0, \count($all) - 1)];
    }

    /**
     * @param array<string, mixed> $state
     *
     * @return array<mixed>
     */
    private static function comparable(array $state): array
    {
        foreach (['exceptions', 'more'] as $name) {
            $sorted = (array) $state[$name];
            ksort($sorted);
            $state[$name] = $sorted;
        }

        return $state;
    }

    public function testALargeFileIsReadToItsEnd(): void
    {
        $notes = str_repeat('a word ', 100);
        $event = static fn (int $number): string => "BEGIN:VEVENT\r\nUID:{$number}\r\nSUMMARY:Number {$number}\r\n"
            ."DTSTART:20261127T140000Z\r\nDESCRIPTION:{$notes}\r\nEND:VEVENT\r\n";
        $bytes = self::calendar(implode('', array_map($event, range(1, 3000))));
        self::assertGreaterThan(2_000_000, \strlen($bytes));
        self::assertCount(3000, self::read($bytes)->events);
        self::assertCount(3001, self::read("\xEF\xBB\xBF\n".$bytes.self::calendar($event(3001)))->events, 'And one behind it.');
    }

    private static function calendar(string $inner): string
    {
        return "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Somebody//Else//EN\r\n"
            .preg_replace('/(?<!\r)\n/', "\r\n", $inner)."END:VCALENDAR\r\n";
    }

    private static function read(string $bytes): CalendarFile
    {
        return (new ReadCalendar(new NullLogger()))($bytes, self::speaker(), new Person('wren@ternpoint.example', 'Wren'));
    }

    private static function speaker(): Speaker
    {
        return new Speaker(new Moment(new \DateTimeImmutable('2026-11-24T10:00:00Z'), new \DateTimeZone('Europe/Dublin')));
    }
}

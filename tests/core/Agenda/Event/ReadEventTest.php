<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda\Event;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\Event\EventFields;
use ZippyTray\Core\Agenda\Event\EventJot;
use ZippyTray\Core\Agenda\Event\Participant;
use ZippyTray\Core\Agenda\Event\ReadEventJot;
use ZippyTray\Core\Agenda\Event\ReadEventTime;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Task\Jot\Clause;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\Unreadable;

/**
 * It is Tuesday 24 November 2026, 10:00, in Dublin.
 */
final class ReadEventTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function phrases(): iterable
    {
        yield 'friday 2-4pm' => ['Fri 27 Nov 2026, 14:00 to 16:00', ''];
        yield 'friday from 2 to 4pm' => ['Fri 27 Nov 2026, 14:00 to 16:00', ''];
        yield 'fri 14:00 until 16:00' => ['Fri 27 Nov 2026, 14:00 to 16:00', ''];
        yield 'wednesday between 10 and 11' => ['Wed 25 Nov 2026, 10:00 to 11:00', ''];
        yield 'friday 2pm' => ['Fri 27 Nov 2026, 14:00 to 15:00', ''];
        yield 'friday 2pm for 90 min' => ['Fri 27 Nov 2026, 14:00 to 15:30', ''];
        yield 'friday 2pm for 3 days' => ['Fri 27 Nov 2026, 14:00 to Mon 30 Nov 2026, 14:00', ''];
        yield 'fri 11pm - 1am' => ['Fri 27 Nov 2026, 23:00 to Sat 28 Nov 2026, 01:00', ''];
        yield 'noon to 1pm friday' => ['Fri 27 Nov 2026, 12:00 to 13:00', ''];
        yield 'fri 2pm to sat 11am' => ['Fri 27 Nov 2026, 14:00 to Sat 28 Nov 2026, 11:00', ''];
        yield '27 nov 14:00 to 28 nov 11:00' => ['Fri 27 Nov 2026, 14:00 to Sat 28 Nov 2026, 11:00', ''];
        yield 'friday' => ['Fri 27 Nov 2026', ''];
        yield 'friday for 2 days' => ['Fri 27 Nov 2026 to Sat 28 Nov 2026', ''];
        yield 'friday to sunday' => ['Fri 27 Nov 2026 to Sun 29 Nov 2026', ''];
        yield 'friday to tuesday' => ['Fri 27 Nov 2026 to Tue 1 Dec 2026', ''];
        yield '25-27 nov' => ['Wed 25 Nov 2026 to Fri 27 Nov 2026', ''];
        yield '25th to 27th november' => ['Wed 25 Nov 2026 to Fri 27 Nov 2026', ''];
        yield '24 dec to 2 jan' => ['Thu 24 Dec 2026 to Sat 2 Jan 2027', ''];
        yield '2026-12-01 to 2026-12-03' => ['Tue 1 Dec 2026 to Thu 3 Dec 2026', ''];
        yield 'every friday 2-4pm' => ['Fri 27 Nov 2026, 14:00 to 16:00', 'FREQ=WEEKLY;BYDAY=FR'];
        yield 'every second tuesday 18:00 for 2h' => ['Tue 24 Nov 2026, 18:00 to 20:00', 'FREQ=WEEKLY;INTERVAL=2;BYDAY=TU'];
        yield 'every day for 3 weeks' => ['Tue 24 Nov 2026', 'FREQ=DAILY;UNTIL=20261214'];
        yield 'every weekday 9:00-9:15' => ['Wed 25 Nov 2026, 09:00 to 09:15', 'FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR'];
    }

    #[DataProvider('phrases')]
    public function testWhenAnEventIs(string $text, string $repeat): void
    {
        $read = ReadEventTime::of((string) $this->dataName(), self::speaker());
        self::assertSame([$text, $repeat], [$read->text(), $read->repeat]);
    }

    /** What is shown can be written. */
    #[DataProvider('phrases')]
    public function testItsTextSaysTheSame(string $text): void
    {
        self::assertSame($text, ReadEventTime::of($text, self::speaker())->text());
    }

    /** @return iterable<string, array{string}> */
    public static function nonsense(): iterable
    {
        foreach (['', 'blursday', '25 to blub', '30 feb', 'friday for'] as $phrase) {
            yield $phrase => [$phrase];
        }
    }

    #[DataProvider('nonsense')]
    public function testWhatIsNoTime(string $phrase): void
    {
        $this->expectException(Unreadable::class);
        ReadEventTime::of($phrase, self::speaker());
    }

    /** @return iterable<string, array{string}> what was read, clause by clause */
    public static function lines(): iterable
    {
        yield 'event Roof meeting; friday 2-4pm; at Keeper\'s kitchen' => [
            'title Roof meeting | when Fri 27 Nov 2026, 14:00 to 16:00 | place Keeper\'s kitchen',
        ];
        yield 'Event: Roof meeting; at 2pm; in the tower' => [
            'title Roof meeting | when Tue 24 Nov 2026, 14:00 to 15:00 | place the tower',
        ];
        yield 'event Roof; tomorrow; with Olga, x@y.example and Nobody' => [
            'title Roof | when Wed 25 Nov 2026 | people Olga Brandt, x@y.example (Nobody is known as Nobody: that stands in the notes.)',
        ];
        yield 'event Roof; remind me 30 min before; fri 9am; note bring tea; blub' => [
            'title Roof | reminder 30 minutes before | when Fri 27 Nov 2026, 09:00 to 10:00 | note bring tea | unread It is said '
                .'already when that is.',
        ];
        yield 'event Roof; yesterday 8:00-9:00' => ['title Roof | when Mon 23 Nov 2026, 08:00 to 09:00 (That is past already.)'];
        yield 'event Roof; at; friday' => ['title Roof | unread Where? | when Fri 27 Nov 2026'];
    }

    #[DataProvider('lines')]
    public function testALine(string $read): void
    {
        $jot = self::jot((string) $this->dataName());
        self::assertSame($read, implode(' | ', array_map(
            static fn (Clause $clause): string => $clause->kind->value.' '.$clause->reading
                .('' === $clause->odd ? '' : " ({$clause->odd})"),
            $jot->clauses ?? [],
        )));
    }

    public function testWhatALineBecomes(): void
    {
        $fields = self::jot('event Roof; every friday 2-4pm; at tower; with Olga, Nobody; remind 1h before; note tea')?->fields;
        self::assertInstanceOf(EventFields::class, $fields);
        self::assertSame(['Roof', 'tower', "With Nobody\ntea", 'FREQ=WEEKLY;BYDAY=FR', true], [
            $fields->title, $fields->place, $fields->notes, $fields->repeat, $fields->isBusy(),
        ]);
        self::assertSame(
            ['olga@slates.example'],
            array_map(static fn (Participant $one): string => $one->who->email, $fields->participants),
        );
        self::assertSame(['1 hour before'], array_map(static fn (Reminder $one): string => $one->text(), $fields->reminders));
    }

    /** @return iterable<string, array{string}> */
    public static function tasks(): iterable
    {
        foreach ([
            'Roof meeting; friday 2-4pm',
            'event Roof meeting',
            'eventually; friday',
            'event',
            'event ; friday',
            'Event tickets to Ilse; list post',
        ] as $line) {
            yield $line => [$line];
        }
    }

    #[DataProvider('tasks')]
    public function testWhatIsATask(string $line): void
    {
        self::assertNull(self::jot($line));
    }

    private static function jot(string $line): ?EventJot
    {
        return ReadEventJot::of($line, self::speaker(), static fn (string $name): ?Address => 'Olga' === $name
            ? new Address('olga@slates.example', 'Olga Brandt')
            : null);
    }

    private static function speaker(): Speaker
    {
        return new Speaker(new Moment(new \DateTimeImmutable('2026-11-24T10:00:00Z'), new \DateTimeZone('Europe/Dublin')));
    }
}

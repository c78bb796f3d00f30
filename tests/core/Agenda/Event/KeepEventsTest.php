<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda\Event;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Event\EventFields;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\Agenda\Event\EventMove;
use ZippyTray\Core\Agenda\Event\EventTime;
use ZippyTray\Core\Agenda\Event\Occurrence;
use ZippyTray\Core\Agenda\Event\ToldEvent;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Tests\Core\World\World;

final class KeepEventsTest extends TestCase
{
    public function testAnEventIsMadeChangedMovedAndTakenAwayAndEachIsUndone(): void
    {
        $world = new World();
        $states = [$world->state()];
        $entries = [$world->events->make(
            World::account(),
            new EntryId('make'),
            new EventId('roof'),
            self::fields('Roof meeting', '14:00', 'FREQ=WEEKLY'),
            new EmailId('letter'),
        )];
        self::assertSame('letter', self::event($world)->source()?->text);
        self::assertSame('Roof meeting', $entries[0]->about);
        $states[] = $world->state();
        $entries[] = $world->events->change(
            World::account(),
            new EntryId('all'),
            new EventId('roof'),
            self::fields('Roof', '15:00', 'FREQ=WEEKLY'),
        );
        $states[] = $world->state();
        $key = '2026-12-04T15:00:00Z';
        $entries[] = $world->events->change(
            World::account(),
            new EntryId('one'),
            new EventId('roof'),
            self::fields('Tower', '16:00'),
            $key,
        );
        self::assertSame(
            ['Roof', 'Tower'],
            [self::event($world)->fields()->title, self::event($world)->occurrence($key)?->fields()->title],
        );
        $states[] = $world->state();
        $entries[] = $world->events->move(World::account(), new EntryId('move'), [
            new EventMove(new EventId('roof'), $key, self::time('11:00')),
        ]);
        self::assertSame(['Tower', '11:00'], [
            self::event($world)->occurrence($key)?->fields()->title,
            self::event($world)->occurrence($key)?->time->begins->time?->__toString(),
        ]);
        $states[] = $world->state();
        $entries[] = $world->events->drop(World::account(), new EntryId('not once'), new EventId('roof'), $key);
        self::assertNull(self::event($world)->occurrence($key));
        $states[] = $world->state();
        $entries[] = $world->events->drop(World::account(), new EntryId('drop'), new EventId('roof'));
        self::assertSame([], $world->memory->events);
        foreach (array_reverse($entries, true) as $number => $entry) {
            $world->undo($entry);
            self::assertSame($states[$number], $world->state());
        }
    }

    /**
     * The series begins on Friday 27 November at 14:00; what is said is said of one of it, and meant of all.
     *
     * @return iterable<string, array{string, string, string, string, list<string>|null, string}> rule, which one, its new day and hour, the
     *                                                                                            next days, and the rule then
     */
    public static function movesOfAll(): iterable
    {
        $fridays = ['27 15:30', '04 15:30', '11 15:30'];
        yield 'another hour, said of the first' => ['FREQ=WEEKLY', '2026-11-27', '2026-11-27', '15:30', $fridays, 'FREQ=WEEKLY'];
        yield 'said of a later one' => ['FREQ=WEEKLY', '2026-12-11', '2026-12-11', '15:30', $fridays, 'FREQ=WEEKLY'];
        yield 'another day' => ['FREQ=WEEKLY', '2026-12-04', '2026-12-01', '14:00', ['24 14:00', '01 14:00', '08 14:00'], 'FREQ=WEEKLY'];
        yield 'another day, by name' => [
            'FREQ=WEEKLY;BYDAY=FR', '2026-12-04', '2026-12-05', '14:00', ['28 14:00', '05 14:00', '12 14:00'], 'FREQ=WEEKLY;BYDAY=SA',
        ];
        yield 'over the end of the week' => [
            'FREQ=WEEKLY;BYDAY=FR', '2026-12-04', '2026-12-07', '14:00', ['30 14:00', '07 14:00', '14 14:00'], 'FREQ=WEEKLY;BYDAY=MO',
        ];
        yield 'two days of the week' => [
            'FREQ=WEEKLY;BYDAY=TU,FR', '2026-12-04', '2026-12-05', '14:00', ['28 14:00', '02 14:00', '05 14:00'],
            'FREQ=WEEKLY;BYDAY=WE,SA',
        ];
        yield 'on a day that is one of it' => [
            'FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR', '2026-12-01', '2026-12-02', '09:00', ['27 09:00', '30 09:00', '01 09:00'],
            'FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR',
        ];
        yield 'every other week, by one' => [
            'FREQ=WEEKLY;INTERVAL=2', '2026-12-11', '2026-12-18', '14:00', ['04 14:00', '18 14:00', '01 14:00'], 'FREQ=WEEKLY;INTERVAL=2',
        ];
        yield 'it ends later by as much' => [
            'FREQ=WEEKLY;UNTIL=20261204', '2026-11-27', '2026-11-28', '14:00', ['28 14:00', '05 14:00'], 'FREQ=WEEKLY;UNTIL=20261205',
        ];
        yield 'so many times' => [
            'FREQ=WEEKLY;COUNT=2', '2026-12-04', '2026-12-03', '14:00', ['26 14:00', '03 14:00'], 'FREQ=WEEKLY;COUNT=2',
        ];
        yield 'of a month, another hour' => [
            'FREQ=MONTHLY;BYDAY=-1FR', '2026-12-25', '2026-12-25', '09:00', ['27 09:00', '25 09:00', '29 09:00'], 'FREQ=MONTHLY;BYDAY=-1FR',
        ];
        yield 'of a month, another day' => ['FREQ=MONTHLY;BYDAY=-1FR', '2026-12-25', '2026-12-24', '14:00', null, ''];
        yield 'of a year' => ['FREQ=YEARLY;BYMONTH=11;BYMONTHDAY=27', '2027-11-27', '2027-11-28', '14:00', null, ''];
    }

    /** @param list<string>|null $expected null: it is refused */
    #[DataProvider('movesOfAll')]
    public function testWhatIsSaidOfOneIsMeantOfAll(
        string $rule,
        string $which,
        string $day,
        string $hour,
        ?array $expected,
        string $then,
    ): void {
        $world = new World();
        $world->events->make(World::account(), new EntryId('make'), new EventId('roof'), self::fields('Roof', '14:00', $rule));
        $utc = new \DateTimeZone('UTC');
        $key = $which.'T14:00:00Z';
        $time = EventTime::from(Due::at(LocalDate::parse($day), TimeOfDay::parse($hour), $utc), 60);
        null !== $expected ?: $this->expectException(Refused::class);

        $entry = $world->events->move(World::account(), new EntryId('move'), [new EventMove(new EventId('roof'), $key, $time, true)]);

        $event = self::event($world);
        $next = array_map(
            static fn (Occurrence $one): string => $one->time->start()?->instant->format('d H:i') ?? '',
            $event->between(LocalDate::parse('2026-11-01'), LocalDate::parse('2027-02-01'), $utc),
        );
        self::assertSame([$expected, $then], [\array_slice($next, 0, 3), $event->fields()->repeat]);
        $world->undo($entry);
        self::assertSame($rule, self::event($world)->fields()->repeat);
    }

    public function testExceptionsGoAlongWithAllOfThem(): void
    {
        $world = new World();
        $world->events->make(World::account(), new EntryId('make'), new EventId('roof'), self::fields('Roof', '14:00', 'FREQ=WEEKLY'));
        $world->events->drop(World::account(), new EntryId('drop'), new EventId('roof'), '2026-12-04T14:00:00Z');
        $fields = self::fields('The roof', '14:00', 'FREQ=WEEKLY')
            ->at(EventTime::from(Due::at(LocalDate::parse('2026-12-11'), TimeOfDay::parse('14:00'), new \DateTimeZone('UTC')), 60));
        $world->events->change(World::account(), new EntryId('name'), new EventId('roof'), $fields, '2026-12-11T14:00:00Z', null, true);
        self::assertSame(['The roof', '2026-11-27', ['2026-12-04T14:00:00Z']], [
            self::event($world)->title(),
            (string) self::event($world)->fields()->time->begins->date,
            array_keys(self::event($world)->exceptions()),
        ], 'Another name, said of the third, leaves the first ones.');
        $world->events->move(World::account(), new EntryId('move'), [new EventMove(
            new EventId('roof'),
            '2026-12-11T14:00:00Z',
            EventTime::from(Due::at(LocalDate::parse('2026-12-10'), TimeOfDay::parse('16:00'), new \DateTimeZone('UTC')), 60),
            true,
        )]);
        self::assertSame(['2026-12-03T16:00:00Z'], array_keys(self::event($world)->exceptions()));
    }

    public function testWhoAsksSaysWhenAndWhere(): void
    {
        $world = new World();
        $world->events->make(
            World::account(),
            new EntryId('make'),
            new EventId('roof'),
            self::fields('Roof meeting', '14:00', 'FREQ=WEEKLY'),
        );
        self::event($world)->take(new ToldEvent(
            'roof',
            self::event($world)->fields(),
            organiser: new Address('olga@slates.example', 'Olga'),
        ));
        $key = '2026-12-04T14:00:00Z';
        $world->events->change(
            World::account(),
            new EntryId('notes'),
            new EventId('roof'),
            self::fields('About the roof', '14:00', 'FREQ=WEEKLY'),
        );
        foreach ([[null, '15:00'], [$key, '16:00']] as [$which, $time]) {
            try {
                $world->events->move(
                    World::account(),
                    new EntryId('move'.$time),
                    [new EventMove(new EventId('roof'), $which, self::time($time))],
                );
                self::fail('It was moved.');
            } catch (Refused $refused) {
                self::assertSame('Olga says when and where “About the roof” is.', $refused->getMessage());
            }
        }
        $world->events->drop(World::account(), new EntryId('mine'), new EventId('roof'), $key);
        self::assertNull(self::event($world)->occurrence($key), 'It can be taken out of one\'s own agenda.');
    }

    public function testWhatOthersTellIsTakenOnceAndToldAnewWhenItIsNewer(): void
    {
        $world = new World();
        $take = static fn (string $id, ToldEvent ...$told): array => $world->events->takeIn(
            World::account(),
            new EntryId($id),
            array_values($told),
        );
        $before = $world->state();
        [$entry, $known] = $take(
            'a',
            new ToldEvent('u1', self::fields('Roof', '14:00')),
            new ToldEvent('u2', self::fields('Tower', '15:00'), 4),
        );
        self::assertSame(['take_events', 2, []], [$entry?->kind->value, \count($world->memory->events), $known]);
        [$again, $known] = $take(
            'b',
            new ToldEvent('u1', self::fields('Roof', '14:00')),
            new ToldEvent('u2', self::fields('Old', '15:00'), 3),
        );
        self::assertSame([null, 2, 2], [$again, \count($known), \count($world->memory->events)]);
        [$newer] = $take('c', new ToldEvent('u2', self::fields('Tower, anew', '16:00'), 5));
        self::assertSame(['Roof', 'Tower, anew'], array_map(
            static fn (Event $event): string => $event->title(),
            array_values($world->memory->events),
        ));
        self::assertNotNull($newer);
        self::assertNotNull($entry);
        $world->undo($newer);
        $world->undo($entry);
        self::assertSame($before, $world->state());
    }

    public function testWhatIsNotThereCannotBeChanged(): void
    {
        $world = new World();
        $world->events->make(
            World::account(),
            new EntryId('make'),
            new EventId('roof'),
            self::fields('Roof meeting', '14:00', 'FREQ=WEEKLY'),
        );
        foreach ([
            static fn () => $world->events->drop(World::account(), new EntryId('a'), new EventId('roof'), '2026-12-05T14:00:00Z'),
            static fn () => $world->events->change(World::account(), new EntryId('b'), new EventId('x'), self::fields('x', '14:00')),
            static fn () => $world->events->move(
                World::account(),
                new EntryId('c'),
                [new EventMove(new EventId('roof'), 'x', self::time('14:00'))],
            ),
        ] as $do) {
            try {
                $do();
                self::fail('It was done.');
            } catch (NotFound) {
                self::assertCount(1, self::event($world)->exceptions() + ['one' => null]);
            }
        }
    }

    private static function event(World $world): Event
    {
        return $world->memory->events['roof'];
    }

    private static function fields(string $title, string $time, string $repeat = ''): EventFields
    {
        return new EventFields($title, self::time($time), repeat: $repeat);
    }

    /** On Friday 27 November 2026. */
    private static function time(string $time): EventTime
    {
        return EventTime::from(Due::at(LocalDate::parse('2026-11-27'), TimeOfDay::parse($time), new \DateTimeZone('Europe/Dublin')), 60);
    }
}

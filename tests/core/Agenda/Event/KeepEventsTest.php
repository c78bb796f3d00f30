<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda\Event;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Event\EventFields;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\Agenda\Event\EventMove;
use ZippyTray\Core\Agenda\Event\EventTime;
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

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda\Event;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\Event\EventFields;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\Agenda\Event\EventTime;
use ZippyTray\Core\Agenda\Event\Participant;
use ZippyTray\Core\Agenda\Event\Telling;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Tests\Core\World\World;

final class TellPeopleTest extends TestCase
{
    public function testAskedToldAnewAndCalledOffEachUndone(): void
    {
        $world = new World();
        $states = [$world->state()];
        $entries = [
            $world->events->make(
                World::account(),
                new EntryId('a'),
                new EventId('e'),
                self::fields(['ilse', 'wren']),
                null,
                self::telling($world),
            ),
        ];
        self::assertSame([['ilse', 'Invitation: Roof', 'request 0']], self::letters($world));
        self::assertStringEndsWith('one person is told', $entries[0]->consequence);
        $event = $world->memory->events['e'];

        $states[] = $world->state();
        $entries[] = $world->events->change(World::account(), new EntryId('b'), new EventId('e'), self::fields(['ilse', 'tam'], '15:00'));
        self::assertTrue($event->isNews(), 'Nobody was told.');
        self::assertCount(1, self::letters($world));

        $states[] = $world->state();
        $entries[] = $world->events->change(
            World::account(),
            new EntryId('c'),
            new EventId('e'),
            self::fields(['tam', 'olga'], '16:00'),
            null,
            self::telling($world),
        );
        self::assertSame(
            [['ilse', 'Called off: Roof', 'cancel all'], ['tam olga', 'Changed: Roof', 'request 2']],
            \array_slice(self::letters($world), 1),
            'Tam was never told, Ilse was and takes part no more.',
        );
        self::assertFalse($event->isNews());

        $states[] = $world->state();
        $entries[] = $world->events->drop(World::account(), new EntryId('d'), new EventId('e'), null, self::telling($world));
        self::assertSame([['tam olga', 'Called off: Roof', 'cancel all']], \array_slice(self::letters($world), 3));
        foreach (array_reverse($entries, true) as $number => $entry) {
            $world->undo($entry);
            self::assertSame($states[$number], $world->state());
        }
    }

    public function testWhoWasNeverAskedHearsNothingWhenItIsCalledOff(): void
    {
        $world = new World();
        $world->events->make(World::account(), new EntryId('a'), new EventId('e'), self::fields(['ilse']));
        $world->events->drop(World::account(), new EntryId('b'), new EventId('e'), null, self::telling($world));
        $world->events->make(World::account(), new EntryId('c'), new EventId('f'), self::fields(['wren']), null, self::telling($world));
        self::assertSame([], self::letters($world), 'Nobody writes to themselves.');
        self::assertNull($world->memory->events['f']->toldTo());
    }

    public function testOneOfASeriesIsCalledOff(): void
    {
        $world = new World();
        $fields = self::fields(['ilse'], '14:00', 'FREQ=DAILY');
        $world->events->make(World::account(), new EntryId('a'), new EventId('e'), $fields, null, self::telling($world));
        $key = $world->memory->events['e']->between(LocalDate::parse('2026-12-06'), LocalDate::parse('2026-12-06'), World::zone())[0]->key;
        $world->events->drop(World::account(), new EntryId('b'), new EventId('e'), $key, self::telling($world));
        self::assertSame(['ilse', 'Called off: Roof', 'cancel '.$key], self::letters($world)[1]);
        self::assertFalse($world->memory->events['e']->isNews(), 'They have heard of it.');
    }

    /** @param list<string> $names */
    private static function fields(array $names, string $time = '14:00', string $repeat = ''): EventFields
    {
        return new EventFields(
            'Roof',
            EventTime::from(Due::at(LocalDate::parse('2026-12-04'), TimeOfDay::parse($time), World::zone()), 60),
            repeat: $repeat,
            participants: array_map(
                static fn (string $name): Participant => new Participant('wren' === $name
                    ? new Address(World::OWN, 'Wren Halloran')
                    : new Address($name.'@isle.example', $name)),
                $names,
            ),
        );
    }

    private static function telling(World $world): Telling
    {
        return new Telling(new Person(World::OWN, 'Wren Halloran'), new Moment($world->clock->now(), World::zone()));
    }

    /**
     * @return list<array{string, string, string}> to whom, about what, with what, in order
     *
     * @phpstan-impure
     */
    private static function letters(World $world): array
    {
        return array_map(static fn (Outgoing $one): array => [
            implode(' ', array_map(static fn (Address $to): string => strstr($to->email, '@', true) ?: '', $one->letter()->to)),
            $one->letter()->subject,
            $one->letter()->calendar,
        ], array_values($world->memory->outgoings));
    }
}

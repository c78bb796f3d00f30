<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\NewSlot;
use ZippyTray\Core\Agenda\Slot;
use ZippyTray\Core\Agenda\SlotId;
use ZippyTray\Core\Agenda\SlotMove;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Tests\Core\World\World;

final class LaySlotsTest extends TestCase
{
    public function testATaskIsLaidMovedAndTakenAwayAndEachIsUndone(): void
    {
        $world = new World();
        $task = self::task($world, 90);
        $states = [$world->state()];
        $entries = [self::put($world, 'a', $task, self::at('2026-11-25', '09:00'), 60)];
        $states[] = $world->state();
        $entries[] = self::put($world, 'b', $task, Due::onDay(LocalDate::parse('2026-11-26')));
        $states[] = $world->state();
        self::assertSame(
            [60, 30],
            [self::slot($world, 'a')->minutes(), self::slot($world, 'b')->minutes()],
            'What is left of the estimate.',
        );
        $entries[] = $world->laySlots->move(World::account(), new EntryId('move'), [
            new SlotMove(new SlotId('a'), self::at('2026-11-25', '14:15')),
            new SlotMove(new SlotId('b'), self::at('2026-11-27', '10:00'), 45),
        ]);
        $states[] = $world->state();
        self::assertSame(['Wed 25 Nov 2026, 14:15', 60, 'Fri 27 Nov 2026, 10:00', 45], [
            self::slot($world, 'a')->when()->text(), self::slot($world, 'a')->minutes(),
            self::slot($world, 'b')->when()->text(), self::slot($world, 'b')->minutes(),
        ]);
        $entries[] = $world->laySlots->drop(World::account(), new EntryId('drop'), [new SlotId('a'), new SlotId('b')]);
        self::assertSame([], $world->memory->slots);
        self::assertSame('Polish the lens', $entries[0]->about);
        foreach (array_reverse($entries, true) as $number => $entry) {
            $world->undo($entry);
            self::assertSame($states[$number], $world->state());
        }
    }

    public function testItStandsInNobodysWayWhenTheTaskIsChangedOrUndone(): void
    {
        $world = new World();
        $task = self::task($world, null);
        $entry = self::put($world, 'a', $task, self::at('2026-11-25', '09:00'));
        self::assertSame(30, self::slot($world, 'a')->minutes(), 'Nobody has estimated it.');
        $world->task('Polish the lens')->rename('Clean the lens');
        $world->undo($entry);
        self::assertSame([], $world->memory->slots);
    }

    /** @return iterable<string, array{int|null}> */
    public static function lengths(): iterable
    {
        yield 'nothing' => [0];
        yield 'too short' => [4];
        yield 'too long' => [1441];
        yield 'less than nothing' => [-30];
    }

    #[DataProvider('lengths')]
    public function testALengthThatCannotBe(int $minutes): void
    {
        $world = new World();
        $task = self::task($world, 60);
        self::put($world, 'a', $task, self::at('2026-11-25', '09:00'));
        try {
            self::put($world, 'b', $task, self::at('2026-11-25', '09:00'), $minutes);
            self::fail('It was laid.');
        } catch (Refused $refused) {
            self::assertSame('minutes', $refused->field);
        }
        $this->expectException(Refused::class);
        try {
            $world->laySlots->move(World::account(), new EntryId('move'), [
                new SlotMove(new SlotId('a'), self::at('2026-11-26', '09:00'), $minutes),
            ]);
        } finally {
            self::assertSame('Wed 25 Nov 2026, 09:00', self::slot($world, 'a')->when()->text());
        }
    }

    public function testWhatIsDoneOrUnknownIsNotLaid(): void
    {
        $world = new World();
        $task = self::task($world, 60);
        $world->task('Polish the lens')->complete($world->clock->now());
        foreach ([[$task, Refused::class], [new TaskId('nobody'), NotFound::class]] as [$id, $problem]) {
            try {
                self::put($world, 'a', $id, self::at('2026-11-25', '09:00'));
                self::fail($problem);
            } catch (Refused|NotFound $found) {
                self::assertSame($problem, $found::class);
            }
        }
        self::assertSame([], $world->memory->slots);
    }

    /** A slot is a moment: it stays one when somebody lives elsewhere, and its minutes are those that pass. */
    public function testASlotIsAMoment(): void
    {
        $zone = new \DateTimeZone('Europe/Vienna');
        $slot = new Slot(
            new SlotId('a'),
            World::account(),
            new TaskId('t'),
            Due::at(LocalDate::parse('2026-10-25'), TimeOfDay::parse('01:30'), $zone),
            120,
        );
        self::assertSame(['2026-10-24T23:30:00+00:00', '2026-10-25T01:30:00+00:00'], [
            $slot->begins()?->instant->format(\DATE_ATOM),
            $slot->ends()?->instant->format(\DATE_ATOM),
        ], 'The clock shows 02:30 when it ends, for the second time.');
        self::assertSame('2026-10-24', (string) $slot->dayIn(new \DateTimeZone('America/New_York')));
        self::assertEquals($slot, Slot::revived($slot->id, $slot->accountId, $slot->state()));
        $pocket = new Slot(new SlotId('b'), World::account(), new TaskId('t'), Due::onDay(LocalDate::parse('2026-10-25')), 30);
        self::assertSame([null, null, '2026-10-25'], [
            $pocket->begins(), $pocket->ends(), (string) $pocket->dayIn(new \DateTimeZone('America/New_York')),
        ], 'A day is a day wherever one is.');
    }

    public function testPiecesOfATaskThatAreSentToOneMomentFollowEachOther(): void
    {
        $world = new World();
        $world->makeTask(new TaskFields('Polish the lens'));
        $task = $world->task('Polish the lens')->id;
        $day = Due::onDay(LocalDate::parse('2026-11-24'));
        foreach (['a' => 30, 'b' => 45, 'c' => 20] as $id => $minutes) {
            $world->laySlots->put(World::account(), new EntryId('put '.$id), [new NewSlot(new SlotId($id), $task, $day, $minutes)]);
        }
        $at = Due::at(LocalDate::parse('2026-11-25'), TimeOfDay::parse('23:00'), World::zone());
        $world->laySlots->move(World::account(), new EntryId('move'), array_map(
            static fn (string $id): SlotMove => new SlotMove(new SlotId($id), 'c' === $id ? $day : $at),
            ['a', 'b', 'c'],
        ));
        self::assertSame(['2026-11-25 23:00', '2026-11-25 23:30', '2026-11-24'], array_map(
            static fn (string $id): string => trim(
                $world->memory->slots[$id]->when()->date.' '.$world->memory->slots[$id]->when()->time,
            ),
            ['a', 'b', 'c'],
        ));
    }

    private static function task(World $world, ?int $estimate): TaskId
    {
        $world->makeTask(new TaskFields('Polish the lens', estimate: $estimate));

        return $world->task('Polish the lens')->id;
    }

    private static function put(World $world, string $id, TaskId $task, Due $when, ?int $minutes = null): Entry
    {
        return $world->laySlots->put(World::account(), new EntryId('put '.$id), [
            new NewSlot(new SlotId($id), $task, $when, $minutes),
        ]);
    }

    private static function slot(World $world, string $id): Slot
    {
        return $world->memory->slots[$id];
    }

    private static function at(string $date, string $time): Due
    {
        return Due::at(LocalDate::parse($date), TimeOfDay::parse($time), World::zone());
    }
}

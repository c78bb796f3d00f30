<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Task;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\DateGroup;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Outline;
use ZippyTray\Core\Task\Rank;
use ZippyTray\Core\Task\Spot;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Week;
use ZippyTray\Tests\Core\World\World;

/**
 * The person's own order, and the order of time.
 */
final class OrderTest extends TestCase
{
    public function testThereIsAlwaysRoomBetweenTwoRanks(): void
    {
        $random = new Randomizer(new Mt19937(4));
        $ranks = [Rank::between(null, null)];
        for ($step = 0; $step < 3000; ++$step) {
            $at = $random->getInt(0, 3) > 0 ? $random->getInt(0, \count($ranks)) : ($random->getInt(0, 1) > 0 ? 0 : \count($ranks));
            $rank = Rank::between($ranks[$at - 1] ?? null, $ranks[$at] ?? null);
            self::assertTrue(($ranks[$at - 1] ?? '') < $rank && $rank < ($ranks[$at] ?? '~'), $rank);
            array_splice($ranks, $at, 0, [$rank]);
        }
        self::assertLessThan(40, max(array_map(strlen(...), $ranks)));
    }

    public function testManyAtOneSpotStayShortAndInOrder(): void
    {
        foreach ([[null, null], ['V', null], [null, 'V'], ['V', 'W'], ['V', 'V00001'], [null, '000001']] as [$before, $after]) {
            $ranks = Rank::several($before, $after, 2000);
            $sorted = array_values(array_unique($ranks));
            sort($sorted, \SORT_STRING);
            self::assertSame($sorted, $ranks);
            self::assertCount(2000, $ranks);
            self::assertTrue(null === $before || $before < $ranks[0]);
            self::assertTrue(null === $after || $ranks[1999] < $after);
            self::assertLessThan(50, max(array_map(strlen(...), $ranks)), (string) $before);
        }
        self::assertSame([], Rank::several(null, null, 0));
    }

    /** Any series of moves gives the order that a plain list would have. */
    public function testMovesHeldAgainstAPlainList(): void
    {
        $world = new World();
        $random = new Randomizer(new Mt19937(9));
        $order = [];
        foreach (range(1, 12) as $number) {
            ($world->makeTasks)(
                World::account(),
                new EntryId($world->ids->next()),
                [new TaskOrder(new TaskId($order[] = $world->ids->next()), new TaskFields('T'.$number))],
                World::zone(),
            );
        }
        $list = array_keys($world->memory->lists)[0];
        for ($step = 0; $step < 200; ++$step) {
            $moved = array_map(
                static fn (int|string $key): string => $order[(int) $key],
                $random->pickArrayKeys($order, $random->getInt(1, 3)),
            );
            $rest = array_values(array_diff($order, $moved));
            $at = $random->getInt(-1, \count($rest) - 1);
            ($world->moveTasks)(
                World::account(),
                new EntryId($world->ids->next()),
                array_map(static fn (string $id): TaskId => new TaskId($id), $moved),
                $at < 0 ? Spot::in(new ListId($list), true) : Spot::behind(new TaskId($rest[$at])),
            );
            array_splice($rest, $at + 1, 0, $moved);
            $order = $rest;
            $tasks = $world->memory->tasks;
            uasort($tasks, static fn (Task $a, Task $b): int => $a->rank() <=> $b->rank());
            self::assertSame($order, array_keys($tasks), 'step '.$step);
        }
    }

    public function testATaskLiesNeitherUnderItselfNorTooDeepNorUnderWhatIsDone(): void
    {
        $world = new World();
        $deep = new Outline('9');
        foreach (range(8, 2) as $level) {
            $deep = new Outline((string) $level, under: [$deep]);
        }
        ($world->makeTasks)(
            World::account(),
            new EntryId('deep'),
            [
                new TaskOrder(new TaskId('one'), new TaskFields('1'), subtasks: [$deep]),
                new TaskOrder(new TaskId('other'), new TaskFields('other'), subtasks: [new Outline('part')]),
            ],
            World::zone(),
        );
        $this->refused($world, $world->task('1'), Spot::under($world->task('4')->id), 'cannot lie under itself');
        $this->refused($world, $world->task('other'), Spot::under($world->task('8')->id), '8 levels deep');
        ($world->moveTasks)(World::account(), new EntryId('fits'), [$world->task('part')->id], Spot::under($world->task('8')->id));
        $world->completeTasks->complete(World::account(), new EntryId('done'), [$world->task('1')->id], true, World::zone());
        $this->refused($world, $world->task('other'), Spot::under($world->task('1')->id), 'is done');
        $this->refused($world, $world->task('other'), Spot::behind($world->task('2')->id), 'is done');
    }

    /** @return iterable<array{?string, ?string, DateGroup}> date, time, group; it is Wednesday 25 November 2026, 10:00 */
    public static function dues(): iterable
    {
        yield [null, null, DateGroup::None];
        yield ['2026-11-24', null, DateGroup::Over];
        yield ['2026-11-25', '09:59', DateGroup::Over];
        yield ['2026-11-25', '10:00', DateGroup::Today];
        yield ['2026-11-25', null, DateGroup::Today];
        yield ['2026-11-26', null, DateGroup::Tomorrow];
        yield ['2026-11-27', null, DateGroup::ThisWeek];
        yield ['2026-11-29', '23:59', DateGroup::ThisWeek];
        yield ['2026-11-30', null, DateGroup::NextWeek];
        yield ['2026-12-06', null, DateGroup::NextWeek];
        yield ['2026-12-07', null, DateGroup::Later];
    }

    #[DataProvider('dues')]
    public function testHowNearATaskIs(?string $date, ?string $time, DateGroup $group): void
    {
        $zone = World::zone();
        $due = null === $date
            ? null
            : (null === $time ? Due::onDay(LocalDate::parse($date)) : Due::at(LocalDate::parse($date), TimeOfDay::parse($time), $zone));
        self::assertSame($group, DateGroup::of($due, new Moment(new \DateTimeImmutable('2026-11-25T10:00', $zone), $zone), new Week()));
    }

    public function testAWeekThatBeginsOnSundayEndsOnSaturday(): void
    {
        $now = new Moment(new \DateTimeImmutable('2026-11-25T10:00', World::zone()), World::zone());
        self::assertSame(DateGroup::NextWeek, DateGroup::of(Due::onDay(LocalDate::parse('2026-11-29')), $now, new Week(7)));
    }

    private function refused(World $world, Task $task, Spot $spot, string $why): void
    {
        $before = $world->state();
        try {
            ($world->moveTasks)(World::account(), new EntryId($world->ids->next()), [$task->id], $spot);
            self::fail($why);
        } catch (Refused $refused) {
            self::assertStringContainsString($why, $refused->getMessage());
        }
        self::assertSame($before, $world->state());
    }
}

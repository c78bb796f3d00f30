<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda\Clock;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\Clock\Stretch;
use ZippyTray\Core\Agenda\Clock\StretchId;
use ZippyTray\Core\Agenda\NewSlot;
use ZippyTray\Core\Agenda\SlotId;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Repeat;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\WhenReader;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Tests\Core\World\World;

final class KeepTimeTest extends TestCase
{
    public function testOneClockRunsAtATime(): void
    {
        $world = new World();
        [$lens, $rota] = [self::task($world, 'Polish the lens'), self::task($world, 'Write the rota')];
        self::assertNull($world->keepTime->pause(World::account()), 'None runs.');
        $world->keepTime->start(World::account(), new StretchId('a'), $lens);
        self::forward($world, 60);
        $world->keepTime->start(World::account(), new StretchId('again'), $lens);
        self::assertSame(['a'], array_keys($world->memory->stretches), 'It runs already.');
        self::forward($world, 600);
        $world->keepTime->start(World::account(), new StretchId('b'), $rota);
        self::forward($world, 90);
        self::assertSame([660, 90], self::seconds($world));
        self::assertSame('b', $world->keepTime->pause(World::account())?->id->text);
        self::forward($world, 3600);
        self::assertNull($world->keepTime->pause(World::account()));
        $world->keepTime->start(World::account(), new StretchId('a'), $lens);
        self::assertSame([660, 90], self::seconds($world), 'A call that is repeated late starts nothing anew.');
        self::assertCount(2, $world->memory->entries, 'None of it is a decision; the two tasks were.');
    }

    public function testWhatWasHardlyBegunIsNotKept(): void
    {
        $world = new World();
        $world->keepTime->start(World::account(), new StretchId('a'), self::task($world, 'Polish the lens'));
        self::forward($world, Stretch::SHORTEST - 1);
        self::assertNull($world->keepTime->pause(World::account()));
        $world->keepTime->atOnce(World::account(), new StretchId('b'), new ConversationId('c'), 'Answer Petra', 2, Stretch::SHORTEST - 1);
        self::assertSame([], $world->memory->stretches);
    }

    public function testAClockThatNobodyStoppedHasNotRunForWeeks(): void
    {
        $world = new World();
        $world->keepTime->start(World::account(), new StretchId('a'), self::task($world, 'Polish the lens'));
        self::forward($world, 20 * 86400);
        self::assertSame([86400], self::seconds($world));
        $world->keepTime->pause(World::account());
        self::assertSame([86400], self::seconds($world));
    }

    public function testWhatTheClockSaidIsSetRightAndUndone(): void
    {
        $world = new World();
        $world->keepTime->start(World::account(), new StretchId('a'), self::task($world, 'Polish the lens'));
        self::forward($world, 7200);
        try {
            $world->keepTime->correct(World::account(), new EntryId('x'), new StretchId('a'), 40);
            self::fail('Its clock runs.');
        } catch (Refused) {
        }
        $world->keepTime->pause(World::account());
        $before = $world->state();
        $corrected = $world->keepTime->correct(World::account(), new EntryId('correct'), new StretchId('a'), 40);
        self::assertSame([[2400], 'Polish the lens'], [self::seconds($world), $corrected->about]);
        $dropped = $world->keepTime->drop(World::account(), new EntryId('drop'), new StretchId('a'));
        self::assertSame([], $world->memory->stretches);
        $world->undo($dropped);
        $world->undo($corrected);
        self::assertSame($before, $world->state());
    }

    /** @return iterable<string, array{int}> */
    public static function impossible(): iterable
    {
        yield 'nothing' => [0];
        yield 'less' => [-5];
        yield 'more than a day' => [1441];
    }

    #[DataProvider('impossible')]
    public function testItCannotHaveLastedSoLong(int $minutes): void
    {
        $world = new World();
        $world->keepTime->atOnce(World::account(), new StretchId('a'), new ConversationId('c'), 'Answer Petra', 2, 100);
        $world->keepTime->atOnce(World::account(), new StretchId('a'), new ConversationId('c'), 'Answer Petra', 2, 500);
        self::assertSame([100], self::seconds($world), 'The same id counts once.');
        $this->expectException(Refused::class);
        $world->keepTime->correct(World::account(), new EntryId('x'), new StretchId('a'), $minutes);
    }

    public function testCompletingPausesAndUndoingDoesNotCountWhatLiesBetween(): void
    {
        $world = new World();
        $task = self::task($world, 'Polish the lens');
        $world->keepTime->start(World::account(), new StretchId('a'), $task);
        self::forward($world, 600);
        $entry = $world->completeTasks->complete(World::account(), new EntryId('done'), [$task], false, World::zone());
        self::forward($world, 6000);
        $world->undo($entry);
        self::assertFalse($world->task('Polish the lens')->isDone());
        self::assertSame([600], self::seconds($world));
        $this->expectException(Refused::class);
        $world->completeTasks->complete(World::account(), new EntryId('again'), [$task], false, World::zone());
        $world->keepTime->start(World::account(), new StretchId('b'), $task);
    }

    /** What was done of a repeat keeps the time and the slots of its day; those ahead stay with the task. */
    public function testARepeatLeavesItsTimeBehind(): void
    {
        $world = new World();
        $reading = (new WhenReader())->read('every day', new Moment($world->clock->now(), World::zone()));
        $world->makeTask(new TaskFields('Polish the lens', repeat: Repeat::of($reading, World::zone())));
        $task = $world->task('Polish the lens')->id;
        foreach (['today' => 0, 'tomorrow' => 1] as $name => $days) {
            $day = Due::onDay(LocalDate::parse('2026-11-24')->plusDays($days));
            $world->laySlots->put(World::account(), new EntryId($name), [new NewSlot(new SlotId($name), $task, $day)]);
        }
        $world->keepDays->choose(World::account(), new EntryId('stone'), LocalDate::parse('2026-11-24'), $task);
        $world->keepTime->start(World::account(), new StretchId('a'), $task);
        self::forward($world, 600);
        $before = $world->state();
        $entry = $world->completeTasks->complete(World::account(), new EntryId('done'), [$task], false, World::zone());
        $copy = array_values(array_filter(array_keys($world->memory->tasks), static fn (string $id): bool => $id !== $task->text))[0];
        self::assertSame([$copy, $task->text, $copy, $copy], [
            $world->memory->slots['today']->taskId()->text,
            $world->memory->slots['tomorrow']->taskId()->text,
            $world->memory->stretches['a']->taskId()?->text,
            array_values($world->memory->plans)[0]->keystone()?->text,
        ]);
        self::forward($world, 600);
        self::assertSame([600], self::seconds($world));
        $world->undo($entry);
        $after = $world->state();
        $before['stretch a']['ends'] = $after['stretch a']['ends'] ?? null;
        self::assertSame($before, $after, 'All but that the clock was paused.');
    }

    private static function task(World $world, string $title): TaskId
    {
        $world->makeTask(new TaskFields($title));

        return $world->task($title)->id;
    }

    private static function forward(World $world, int $seconds): void
    {
        $world->clock->set($world->clock->now()->modify("+{$seconds} seconds")->format(\DATE_ATOM));
    }

    /** @return list<int> */
    private static function seconds(World $world): array
    {
        return array_map(
            static fn (Stretch $stretch): int => $stretch->seconds($world->clock->now()),
            array_values($world->memory->stretches),
        );
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Task;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\OpenSubtasks;
use ZippyTray\Core\Task\Outline;
use ZippyTray\Core\Task\Repeat;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\LeadReader;
use ZippyTray\Core\Time\Field\WhenReader;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Tests\Core\World\World;

/**
 * Tasks that come again. It is Tuesday 24 November 2026, 10:00.
 */
final class RepeatTest extends TestCase
{
    /** @return iterable<array{string, bool, string, list<string|null>}> phrase, from completion, when it is completed, the dues then */
    public static function series(): iterable
    {
        yield ['every monday', false, '2026-11-30T09:00', ['Mon 7 Dec 2026', 'Mon 14 Dec 2026']];
        yield 'early: the same day is not done twice' => ['every monday', false, '2026-11-27T09:00', ['Mon 7 Dec 2026']];
        yield 'three missed' => ['every monday', false, '2026-12-23T09:00', ['Mon 28 Dec 2026']];
        yield 'completed on the day of the next' => ['every monday', false, '2026-12-07T09:00', ['Mon 7 Dec 2026', 'Mon 14 Dec 2026']];
        yield ['every day at 9:00', false, '2026-11-25T12:00', ['Thu 26 Nov 2026, 09:00']];
        yield 'the time of today is still ahead' => ['every day at 15:00', false, '2026-11-26T12:00', ['Thu 26 Nov 2026, 15:00']];
        yield [
            'every month on the 31st',
            false,
            '2026-12-31T12:00',
            ['Thu 31 Dec 2026', 'Sun 31 Jan 2027', 'Sun 28 Feb 2027', 'Wed 31 Mar 2027', 'Fri 30 Apr 2027'],
        ];
        yield ['every month on the 31st, only months that have it', false, '2026-12-31T12:00', ['Sun 31 Jan 2027', 'Wed 31 Mar 2027']];
        yield ['every day for 3 times', false, '2026-11-24T12:00', ['Wed 25 Nov 2026', 'Thu 26 Nov 2026', null]];
        yield ['every friday until 4 dec', false, '2026-11-27T12:00', ['Fri 4 Dec 2026', null]];
        yield 'counted from the day of completion' => ['every 10 days', true, '2026-11-28T12:00', ['Tue 8 Dec 2026', 'Tue 8 Dec 2026']];
        yield ['every week', true, '2026-12-03T12:00', ['Thu 10 Dec 2026']];
        yield ['every month', true, '2027-01-31T12:00', ['Sun 28 Feb 2027']];
        yield ['every year', true, '2026-12-01T12:00', ['Wed 1 Dec 2027']];
        yield ['every monday and thursday', true, '2026-12-01T12:00', ['Thu 3 Dec 2026']];
        yield ['every 2 days for 2 times', true, '2026-12-01T12:00', ['Thu 3 Dec 2026', null]];
        yield ['every 2 days until 2 dec', true, '2026-12-01T12:00', [null]];
    }

    /** @param list<string|null> $dues */
    #[DataProvider('series')]
    public function testTheNextOccurrence(string $phrase, bool $fromCompletion, string $completed, array $dues): void
    {
        $repeat = self::repeat($phrase, $fromCompletion);
        $now = new Moment(new \DateTimeImmutable($completed, World::zone()), World::zone());
        foreach ($dues as $due) {
            $repeat = $repeat?->next($now);
            self::assertSame($due, $repeat?->due()->text());
            self::assertEquals($repeat, null === $repeat ? null : Repeat::fromState($repeat->state()));
        }
    }

    public function testTheWallClockStaysThroughAClockChange(): void
    {
        $repeat = Repeat::of(
            (new WhenReader())->read('every day at 9:00', new Moment(new \DateTimeImmutable('2026-03-28T08:00Z'), World::zone())),
            World::zone(),
        );
        $next = $repeat?->next(new Moment(new \DateTimeImmutable('2026-03-28T20:00Z'), World::zone()));
        self::assertSame('2026-03-29T08:00:00+00:00', $next?->due()->instant()?->format(\DATE_ATOM));
    }

    public function testCompletingGoesOnWithSubtasksOpenAndTimesMoved(): void
    {
        $world = new World();
        $lead = Reminder::lead((new LeadReader())->read('2 days before'));
        $moment = Reminder::at(Moment::at(LocalDate::parse('2026-11-26'), TimeOfDay::parse('08:00'), World::zone()));
        $task = $this->made(
            $world,
            new TaskFields(
                'Wind the clock',
                start: Due::onDay(LocalDate::parse('2026-11-25')),
                repeat: self::repeat('every friday'),
                reminders: [$lead, $moment],
            ),
            [new Outline('Find the key', true), new Outline('Oil it')],
        );
        $before = $world->state();
        $entry = $world->completeTasks->complete(World::account(), new EntryId('done'), [$task->id], true, World::zone());

        self::assertSame('next Fri 4 Dec 2026', $entry->consequence);
        self::assertFalse($task->isDone());
        self::assertSame(['Wed 2 Dec 2026', 'Fri 4 Dec 2026'], [$task->start()?->text(), $task->due()?->text()]);
        self::assertSame(
            ['2 days before', 'Thu 3 Dec 2026, 08:00'],
            array_map(static fn (Reminder $reminder): string => $reminder->text(), $task->reminders()),
        );
        $titles = static fn (bool $done): array => array_values(array_map(
            static fn (Task $one): string => $one->title(),
            array_filter($world->memory->tasks, static fn (Task $one): bool => $one->isDone() === $done),
        ));
        self::assertSame(['Wind the clock', 'Find the key', 'Oil it'], $titles(false));
        self::assertSame(['Wind the clock', 'Find the key', 'Oil it'], $titles(true));
        $copy = array_values(array_filter(
            $world->memory->tasks,
            static fn (Task $one): bool => $one->isDone() && 'Wind the clock' === $one->title(),
        ))[0];
        self::assertSame([[], null], [$copy->reminders(), $copy->repeat()], 'What is done reminds no more, and does not go on.');

        $world->undo($entry);
        self::assertSame($before, $world->state());
    }

    public function testWhatWasMovedByHandComesBackToTheRule(): void
    {
        $world = new World();
        $task = $this->made($world, new TaskFields('Wind the clock', repeat: self::repeat('every friday')));
        ($world->editTask)(
            World::account(),
            new EntryId('moved'),
            $task->id,
            $task->revision(),
            new TaskFields('Wind the clock', due: Due::onDay(LocalDate::parse('2026-11-30')), repeat: self::repeat('every friday')),
            World::zone(),
        );
        self::assertSame('Mon 30 Nov 2026', $task->due()?->text());
        $world->clock->set('2026-11-30T10:00:00Z');
        $world->completeTasks->complete(World::account(), new EntryId('done'), [$task->id], false, World::zone());
        self::assertSame('Fri 4 Dec 2026', $world->task('Wind the clock')->due()?->text());
    }

    public function testTheLastOneIsCompletedForGoodAndCannotBeSkipped(): void
    {
        $world = new World();
        $task = $this->made($world, new TaskFields('Wind the clock', repeat: self::repeat('every friday for 1 time')));
        try {
            $world->completeTasks->skip(World::account(), new EntryId('skip'), $task->id, World::zone());
            self::fail('It was skipped.');
        } catch (Refused $refused) {
            self::assertStringContainsString('last one', $refused->getMessage());
        }
        $world->completeTasks->complete(World::account(), new EntryId('done'), [$task->id], false, World::zone());
        self::assertTrue($task->isDone());
        self::assertCount(1, $world->memory->tasks);
    }

    public function testANewRepeatComesAfterTheDueThatWasGiven(): void
    {
        $world = new World();
        $made = fn (string $phrase, string $date): Task => $this->made(
            $world,
            new TaskFields($phrase, due: Due::onDay(LocalDate::parse($date)), repeat: self::repeat($phrase)),
        );
        $task = $made('every monday', '2026-12-02');
        self::assertSame('Wed 2 Dec 2026', $task->due()?->text());
        $world->completeTasks->complete(World::account(), new EntryId('done'), [$task->id], false, World::zone());
        self::assertSame('Mon 7 Dec 2026', $world->task('every monday')->due()?->text());
        self::assertSame('Sat 14 Nov 2026', $made('every 3 days', '2026-11-14')->due()?->text(), 'What is overdue already stays so.');
        $this->expectException(Refused::class);
        $made('every day until 1 dec', '2026-12-02');
    }

    public function testOpenSubtasksAreAskedAboutAndNothingIsDone(): void
    {
        $world = new World();
        $task = $this->made($world, new TaskFields('Open day'), [new Outline('Posters'), new Outline('Tea', under: [new Outline('Milk')])]);
        $before = $world->state();
        try {
            $world->completeTasks->complete(World::account(), new EntryId('done'), [$task->id], false, World::zone());
            self::fail('It was completed.');
        } catch (OpenSubtasks $open) {
            self::assertSame(3, $open->count);
        }
        self::assertSame($before, $world->state());
        // Who selects all of them has said so.
        self::assertSame(
            EntryKind::CompleteTask,
            $world->completeTasks->complete(
                World::account(),
                new EntryId('all'),
                [$task->id, $world->task('Posters')->id, $world->task('Tea')->id, $world->task('Milk')->id],
                false,
                World::zone(),
            )->kind,
        );
    }

    /** @param list<Outline> $subtasks */
    private function made(World $world, TaskFields $fields, array $subtasks = []): Task
    {
        ($world->makeTasks)(
            World::account(),
            new EntryId($world->ids->next()),
            [new TaskOrder(new TaskId($id = $world->ids->next()), $fields, subtasks: $subtasks)],
            World::zone(),
        );

        return $world->memory->tasks[$id];
    }

    private static function repeat(string $phrase, bool $fromCompletion = false): ?Repeat
    {
        return Repeat::of(
            (new WhenReader())->read($phrase, new Moment(new \DateTimeImmutable('2026-11-24T10:00', World::zone()), World::zone())),
            World::zone(),
            $fromCompletion,
        );
    }
}

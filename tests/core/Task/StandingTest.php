<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Task;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Standing;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Tests\Core\World\World;

/**
 * Whether a task is there to be seen. It is Tuesday 24 November 2026, 10:00 in Lisbon.
 */
final class StandingTest extends TestCase
{
    /** @return iterable<string, array{string, bool}> */
    public static function starts(): iterable
    {
        yield 'no start' => ['', false];
        yield 'a day that is over' => ['2026-11-23', false];
        yield 'today, whatever the hour' => ['2026-11-24', false];
        yield 'tomorrow' => ['2026-11-25', true];
        yield 'a minute ago' => ['2026-11-24 09:59', false];
        yield 'now' => ['2026-11-24 10:00', false];
        yield 'in a minute' => ['2026-11-24 10:01', true];
        yield 'later today, in a zone where it has come' => ['2026-11-24 12:00 Asia/Tokyo', false];
        yield 'yesterday, in a zone where it has not come' => ['2026-11-23 23:59 Pacific/Niue', true];
        yield 'the same minute in another zone' => ['2026-11-24 11:00 Europe/Berlin', false];
        yield 'the next one' => ['2026-11-24 11:01 Europe/Berlin', true];
    }

    #[DataProvider('starts')]
    public function testAStartThatIsAheadPutsItOutOfTheWay(string $start, bool $waits): void
    {
        self::assertSame($waits, Standing::waits(self::task($start), [], self::now()));
        self::assertSame(
            $waits,
            Standing::waits(self::task(''), [self::task(''), self::task($start)], self::now()),
            'As does that of what it is a part of.',
        );
        self::assertTrue(Standing::waits(self::task($start), [self::task('2027-01-01')], self::now()));
    }

    /** @return iterable<string, array{bool, string, string, bool, bool}> */
    public static function parts(): iterable
    {
        foreach (['', '2026-11-30'] as $start) {
            foreach (['', '2026-12-01'] as $due) {
                yield "by itself, start {$start}, due {$due}" => [false, $start, $due, true, true];
                yield "a part, start {$start}, due {$due}" => [true, $start, $due, '' !== $due, '' !== $start];
            }
        }
    }

    #[DataProvider('parts')]
    public function testAPartStandsAloneWithATimeOfItsOwn(bool $isPart, string $start, string $due, bool $open, bool $waiting): void
    {
        $task = self::task($start, $due);
        $task->place(new ListId('list'), $isPart ? new TaskId('above') : null, 'V');
        self::assertSame([$open, $waiting], [
            Standing::alone(null !== $task->parentId(), null !== $task->due()),
            Standing::alone(null !== $task->parentId(), null !== $task->start()),
        ]);
    }

    private static function now(): Moment
    {
        return new Moment(new \DateTimeImmutable('2026-11-24T10:00:00Z'), World::zone());
    }

    private static function task(string $start, string $due = ''): Task
    {
        $task = new Task(new TaskId('t'), World::account(), self::now()->instant, 'Paint', new ListId('list'));
        $task->schedule(self::read($start), self::read($due), World::zone());

        return $task;
    }

    private static function read(string $text): ?Due
    {
        [$date, $time, $zone] = explode(' ', $text) + ['', '', ''];

        return match (true) {
            '' === $text => null,
            '' === $time => Due::onDay(LocalDate::parse($date)),
            default => Due::at(LocalDate::parse($date), TimeOfDay::parse($time), '' === $zone ? World::zone() : new \DateTimeZone($zone)),
        };
    }
}

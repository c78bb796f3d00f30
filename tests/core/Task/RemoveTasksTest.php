<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Task;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Outline;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Tests\Core\World\World;

final class RemoveTasksTest extends TestCase
{
    /** @return iterable<string, array{list<Outline>, string}> what lies under it, what is said */
    public static function branches(): iterable
    {
        yield 'alone' => [[], ''];
        yield 'with one' => [[new Outline('Prime')], 'with 1 subtask'];
        yield 'with several, however deep' => [
            [new Outline('Prime', under: [new Outline('Buy primer')]), new Outline('Sand')],
            'with 3 subtasks',
        ];
    }

    /** @param list<Outline> $under */
    #[DataProvider('branches')]
    public function testATaskGoesWithAllThatLiesUnderIt(array $under, string $said): void
    {
        $world = new World();
        $world->makeTask(new TaskFields('Other'));
        $order = new TaskOrder(new TaskId('paint'), new TaskFields('Paint'), subtasks: $under);
        ($world->makeTasks)(World::account(), new EntryId('m'), [$order], World::zone());
        $before = $world->state();
        // Whoever chose them all sees it once.
        $ids = array_values(array_filter(
            array_map(static fn (Task $task): TaskId => $task->id, array_values($world->memory->tasks)),
            static fn (TaskId $id): bool => 'Other' !== $world->memory->tasks[$id->text]->title(),
        ));
        $entry = $world->removeTasks->delete(World::account(), new EntryId('d'), [new TaskId('paint'), ...$ids]);
        self::assertSame(['Paint', $said], [$entry->about, $entry->consequence]);
        self::assertSame(['Other'], array_map(static fn (Task $task): string => $task->title(), array_values($world->memory->tasks)));
        $world->undo($entry);
        self::assertSame($before, $world->state());
    }

    /** @return iterable<string, array{int, int, string|null, string, string, int}> done, open, list, about, what is said, how many stay */
    public static function done(): iterable
    {
        yield 'of all lists' => [2, 1, null, 'All lists', '2 tasks', 1];
        yield 'one of a list' => [1, 1, 'Roof', 'Roof', '1 task', 1];
        yield 'nothing' => [0, 2, 'Roof', 'Roof', '0 tasks', 2];
    }

    #[DataProvider('done')]
    public function testWhatIsDoneIsClearedAway(int $done, int $open, ?string $list, string $about, string $said, int $left): void
    {
        $world = new World();
        for ($number = 0; $number < $done + $open; ++$number) {
            $world->makeTask(new TaskFields('Task '.$number, list: 'Roof'));
        }
        foreach (\array_slice(array_values($world->memory->tasks), 0, $done) as $task) {
            $task->complete($world->clock->now());
        }
        $id = array_keys($world->memory->lists)[0] ?? '';
        $before = $world->state();
        $entry = $world->removeTasks->clearDone(World::account(), new EntryId('c'), null === $list ? null : new ListId($id));
        self::assertSame([$about, $said], [$entry->about, $entry->consequence]);
        self::assertCount($left, $world->memory->tasks);
        $world->undo($entry);
        self::assertSame($before, $world->state());
    }
}

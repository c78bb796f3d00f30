<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Task;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Priority;
use ZippyTray\Core\Task\TaskChange;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Tests\Core\World\World;

final class StepsTest extends TestCase
{
    public function testOneThatIsChangedIsChangedAndSeveralAreChangedTogether(): void
    {
        $world = new World();
        foreach (['Glass', 'Putty'] as $title) {
            $world->makeTask(new TaskFields($title));
        }
        $change = static fn (string ...$titles): EntryKind => ($world->changeTasks)(
            World::account(),
            new EntryId($world->ids->next()),
            array_values(array_map(static fn (string $title): TaskId => $world->task($title)->id, $titles)) ?: throw new \LogicException(),
            new TaskChange(priority: Priority::High),
            World::zone(),
        )->kind;
        self::assertSame([EntryKind::EditTask, EntryKind::ChangeTasks], [$change('Glass'), $change('Glass', 'Putty')]);
    }

    public function testWhatIsOpenedAgainIsOpenWithAllAboveIt(): void
    {
        $world = new World();
        $parent = new TaskId($world->ids->next());
        ($world->makeTasks)(World::account(), new EntryId($world->ids->next()), [
            new TaskOrder($parent, new TaskFields('Open day')),
        ], World::zone());
        ($world->makeTasks)(World::account(), new EntryId($world->ids->next()), [
            new TaskOrder(new TaskId($world->ids->next()), new TaskFields('Posters'), parentId: $parent),
        ], World::zone());
        $world->completeTasks->complete(World::account(), new EntryId($world->ids->next()), [$parent], true, World::zone());
        self::assertSame([true, true], [$world->task('Open day')->isDone(), $world->task('Posters')->isDone()]);
        $world->completeTasks->restore(World::account(), new EntryId($world->ids->next()), [$world->task('Posters')->id]);
        self::assertSame([false, false], [$world->task('Open day')->isDone(), $world->task('Posters')->isDone()]);
    }

    public function testOnlyFilesThatAreThereAreAttached(): void
    {
        $world = new World();
        $world->memory->files = ['plan'];
        $world->makeTask(new TaskFields('Glass', files: ['plan']));
        self::assertSame(['plan'], $world->task('Glass')->files());
        $this->expectException(Refused::class);
        $world->makeTask(new TaskFields('Putty', files: ['gone']));
    }

    public function testATitleHasItsLimit(): void
    {
        $world = new World();
        $world->makeTask(new TaskFields(str_repeat('é', 300)));
        self::assertCount(1, $world->memory->tasks);
        $this->expectException(Refused::class);
        $world->makeTask(new TaskFields(str_repeat('é', 301)));
    }
}

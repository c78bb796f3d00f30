<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Task;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\EntryKind;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Core\Task\TaskOrder;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Tests\Core\World\World;

final class MakeTasksTest extends TestCase
{
    public function testATaskOfAMessageKeepsACopyAndArchivesTheConversationInOneStep(): void
    {
        $world = new World();
        $conversation = $world->conversation('Lantern glass');
        $entry = $world->makeTask(
            new TaskFields('Choose the glass', due: Due::onDay(LocalDate::parse('2026-11-27')), list: 'Lantern'),
            $conversation,
        );

        self::assertSame(EntryKind::MakeTask, $entry->kind);
        self::assertSame('due Fri 27 Nov 2026', $entry->consequence);
        self::assertSame(Place::Archive, $conversation->placeAt($world->clock->now()));
        self::assertCount(1, $world->task('Choose the glass')->sources());

        $world->undo($entry);
        self::assertSame([], $world->memory->tasks);
        self::assertSame([], $world->memory->lists);
        self::assertSame(Place::Tray, $conversation->placeAt($world->clock->now()));
    }

    public function testSeveralTasksAreMadeAndUndoneInOneStep(): void
    {
        $world = new World();
        $orders = [];
        foreach (['One', 'Two', 'Three'] as $subject) {
            $orders[] = new TaskOrder(
                new TaskId($world->ids->next()),
                new TaskFields($subject),
                claim: new Claim($world->conversation($subject)->id),
            );
        }
        $before = $world->state();
        $entry = ($world->makeTasks)(World::account(), new EntryId('entry'), $orders, World::zone());
        self::assertCount(3, $world->memory->tasks);

        $world->undo($entry->entry);
        self::assertSame($before, $world->state());
    }

    public function testATaskWithoutMailIsWrittenDown(): void
    {
        $world = new World();
        self::assertSame(EntryKind::AddTask, $world->makeTask(new TaskFields('Buy stamps'))->kind);
        self::assertSame([], $world->task('Buy stamps')->sources());
    }

    public function testOneOrderThatIsRefusedMeansThatNothingIsMade(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        $this->expectException(Refused::class);
        try {
            ($world->makeTasks)(World::account(), new EntryId('entry'), [
                new TaskOrder(new TaskId('t1'), new TaskFields('Fine'), claim: new Claim($conversation->id)),
                new TaskOrder(new TaskId('t2'), new TaskFields('  ')),
            ], World::zone());
        } finally {
            self::assertSame([], $world->memory->tasks);
            self::assertSame(Place::Tray, $conversation->placeAt($world->clock->now()));
        }
    }

    /** @return iterable<string, array{TaskFields, string}> */
    public static function refused(): iterable
    {
        yield 'no title' => [new TaskFields(" \n"), 'title'];
        yield 'a title that is too long' => [new TaskFields(str_repeat('x', Task::TITLE_LENGTH + 1)), 'title'];
        yield 'notes that are too long' => [new TaskFields('x', str_repeat('x', Task::NOTES_LENGTH + 1)), 'notes'];
        yield 'a list without a name' => [new TaskFields('x', list: ' '), 'list'];
        yield 'a list with too long a name' => [new TaskFields('x', list: str_repeat('x', TaskList::NAME_LENGTH + 1)), 'list'];
    }

    #[DataProvider('refused')]
    public function testWhatCannotBeTakenIsRefusedAtItsField(TaskFields $fields, string $field): void
    {
        try {
            (new World())->makeTask($fields);
            self::fail('It was taken.');
        } catch (Refused $refused) {
            self::assertSame($field, $refused->field);
        }
    }

    public function testCompletingTwiceKeepsTheFirstMoment(): void
    {
        $world = new World('2026-11-24T10:00:00Z');
        $world->makeTask(new TaskFields('Buy stamps'));
        $task = $world->task('Buy stamps');
        $world->completeTasks->complete(World::account(), new EntryId('first'), [$task->id], false, World::zone());
        $world->clock->set('2026-11-25T10:00:00Z');
        $again = $world->completeTasks->complete(World::account(), new EntryId('second'), [$task->id], false, World::zone());

        self::assertSame('2026-11-24T10:00:00+00:00', $task->state()['completedAt']);
        self::assertSame([], $again->changes());
    }

    public function testListsAreFoundWhateverTheirCapitals(): void
    {
        $world = new World();
        $world->makeTask(new TaskFields('One', list: 'Roof'));
        $world->makeTask(new TaskFields('Two', list: ' rOOF '));
        self::assertCount(1, $world->memory->lists);
    }
}

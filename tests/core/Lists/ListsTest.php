<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Lists;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Colour;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskList;
use ZippyTray\Tests\Core\World\World;

/**
 * Lists, which have an order and lie under one another two levels deep.
 */
final class ListsTest extends TestCase
{
    private World $world;

    protected function setUp(): void
    {
        $this->world = new World();
        foreach (['Roof', 'House', 'Shed'] as $name) {
            $this->add($name);
        }
    }

    /** @return iterable<string, array{string, Colour, bool, bool, string}> name, colour, archived before and after, what is said */
    public static function edits(): iterable
    {
        yield 'another name' => ['Attic', Colour::Sea, false, false, 'now Attic'];
        yield 'another colour' => ['Roof', Colour::Plum, false, false, ''];
        yield 'the same name, with other capitals' => ['ROOF', Colour::Sea, false, false, 'now ROOF'];
        yield 'put away' => ['Roof', Colour::Sea, false, true, 'archived, with its tasks'];
        yield 'put away already' => ['Roof', Colour::Sea, true, true, ''];
        yield 'taken out again' => ['Roof', Colour::Sea, true, false, 'back from the archive'];
        yield 'taken out under another name' => ['Attic', Colour::Sea, true, false, 'back from the archive'];
    }

    #[DataProvider('edits')]
    public function testWhatIsChangedOfAListIsSaid(string $name, Colour $colour, bool $before, bool $archived, string $said): void
    {
        $this->list('Roof')->archive($before);
        $state = $this->world->state();
        $entry = $this->world->changeLists->edit(World::account(), new EntryId('e'), new ListId('Roof'), " {$name} ", $colour, $archived);
        self::assertSame(['Roof', $said], [$entry->about, $entry->consequence]);
        self::assertSame(
            [$name, $colour->value, $archived],
            [$this->list('Roof')->name(), $this->list('Roof')->state()['colour'], $this->list('Roof')->isArchived()],
        );
        $this->world->undo($entry);
        self::assertSame($state, $this->world->state());
    }

    /** @return iterable<string, array{string, string}> */
    public static function names(): iterable
    {
        yield 'taken' => ['house', 'list'];
        yield 'none' => [" \t", 'list'];
        yield 'too long' => [str_repeat('x', TaskList::NAME_LENGTH + 1), 'list'];
    }

    #[DataProvider('names')]
    public function testANameThatCannotBeIsRefused(string $name, string $field): void
    {
        $before = $this->world->state();
        foreach ([
            fn (): Entry => $this->add($name),
            fn (): Entry => $this->world->changeLists->edit(
                World::account(),
                new EntryId('e'),
                new ListId('Roof'),
                $name,
                Colour::Sea,
                false,
            ),
        ] as $step) {
            try {
                $step();
                self::fail('It was taken.');
            } catch (Refused $refused) {
                self::assertSame($field, $refused->field);
            }
        }
        self::assertSame($before, $this->world->state());
    }

    /** @return iterable<string, array{string, string|null, string|null, string, string}> which, behind, under, said, order */
    public static function moves(): iterable
    {
        yield 'to the front' => ['Shed', null, null, 'moved', 'Shed Roof House'];
        yield 'to the end' => ['Roof', 'Shed', null, 'moved', 'House Shed Roof'];
        yield 'between' => ['Shed', 'Roof', null, 'moved', 'Roof Shed House'];
        yield 'under another' => ['Shed', null, 'Roof', 'under Roof', 'Roof/Shed House'];
    }

    #[DataProvider('moves')]
    public function testListsAreMoved(string $which, ?string $behind, ?string $under, string $said, string $order): void
    {
        $before = $this->world->state();
        $entry = $this->move($which, $behind, $under);
        self::assertSame([$which, $said, $order], [$entry->about, $entry->consequence, $this->order()]);
        $this->world->undo($entry);
        self::assertSame($before, $this->world->state());
    }

    public function testAmongThoseUnderAListOnlyTheseCount(): void
    {
        $this->move('Shed', null, 'Roof');
        $this->add('Gutter');
        $this->move('Gutter', 'Shed', 'Roof');
        self::assertSame('Roof/Shed/Gutter House', $this->order());
        $this->move('Gutter', null, 'Roof');
        self::assertSame('Roof/Gutter/Shed House', $this->order());
        $this->expectException(NotFound::class);
        $this->move('Gutter', 'House', 'Roof');
    }

    public function testListsLieTwoLevelsDeep(): void
    {
        $this->add('Gutter');
        $this->move('Shed', null, 'House');
        $this->move('House', null, 'Roof');
        $before = $this->world->state();
        foreach ([['Gutter', 'Shed'], ['Roof', 'Gutter'], ['Roof', 'Roof'], ['Roof', 'Shed'], ['House', 'Shed']] as [$which, $under]) {
            try {
                $this->move($which, null, $under);
                self::fail("{$which} lies under {$under}.");
            } catch (Refused $refused) {
                self::assertSame('parent', $refused->field);
            }
        }
        self::assertSame($before, $this->world->state());
        $this->world->undo($this->move('House', null, 'Gutter'));
        $this->move('House', null, 'Roof');
        self::assertSame('Roof/House Gutter', $this->order());
        $this->world->changeLists->delete(World::account(), new EntryId('delete'), new ListId('House'), null);
        self::assertSame('Roof/Shed Gutter', $this->order(), 'What lay under it lies where it lay.');
    }

    /** @return iterable<string, array{int, string|null, string, int}> tasks of it, where they go, what is said, tasks left */
    public static function deletions(): iterable
    {
        yield 'an empty one' => [0, null, '', 0];
        yield 'with its task' => [1, null, 'with 1 task', 0];
        yield 'with its tasks' => [2, null, 'with 2 tasks', 0];
        yield 'one task goes elsewhere' => [1, 'House', '1 task to House', 1];
        yield 'its tasks go elsewhere' => [3, 'House', '3 tasks to House', 3];
    }

    #[DataProvider('deletions')]
    public function testADeletedListTakesItsTasksAlongOrLeavesThem(int $tasks, ?string $moveTo, string $said, int $left): void
    {
        $this->move('Shed', null, 'Roof');
        for ($number = 1; $number <= $tasks; ++$number) {
            $this->world->makeTask(new TaskFields('Task '.$number, list: 'Roof'));
        }
        $before = $this->world->state();
        $entry = $this->world->changeLists->delete(World::account(), new EntryId('d'), new ListId('Roof'), ListId::orNull($moveTo));
        self::assertSame(['Roof', $said], [$entry->about, $entry->consequence]);
        self::assertSame(
            'House Shed',
            implode(' ', array_intersect(['House', 'Shed'], explode(' ', $this->order()))),
            'Nothing lies under it.',
        );
        self::assertCount($left, $this->world->memory->tasks);
        $titles = [];
        foreach ($this->world->memory->tasks as $task) {
            self::assertSame($moveTo, $task->listId()->text);
            $titles[$task->rank()] = $task->title();
        }
        ksort($titles, \SORT_STRING);
        self::assertSame(array_map(static fn (int $n): string => 'Task '.$n, 0 === $left ? [] : range(1, $left)), array_values($titles));
        $this->world->undo($entry);
        self::assertSame($before, $this->world->state());
    }

    public function testTasksCannotGoToTheListThatIsDeleted(): void
    {
        $this->expectExceptionObject(new Refused('Its tasks cannot go to the list that is deleted.', 'moveTo'));
        $this->world->changeLists->delete(World::account(), new EntryId('d'), new ListId('Roof'), new ListId('Roof'));
    }

    private function add(string $name): Entry
    {
        return $this->world->changeLists->add(
            World::account(),
            new EntryId($this->world->ids->next()),
            new ListId($name),
            $name,
            Colour::Sea,
        );
    }

    private function move(string $which, ?string $behind, ?string $under): Entry
    {
        return $this->world->changeLists->move(
            World::account(),
            new EntryId($this->world->ids->next()),
            new ListId($which),
            ListId::orNull($behind),
            ListId::orNull($under),
        );
    }

    private function list(string $id): TaskList
    {
        return $this->world->memory->lists[$id];
    }

    /** Names in their order, those under a list behind it. */
    private function order(): string
    {
        $lists = array_values($this->world->memory->lists);
        usort($lists, static fn (TaskList $a, TaskList $b): int => $a->rank() <=> $b->rank());
        $order = [];
        foreach ($lists as $list) {
            if (null === $list->parentId()) {
                $under = array_filter($lists, static fn (TaskList $other): bool => $other->liesUnder($list->id));
                $order[] = implode('/', array_map(static fn (TaskList $one): string => $one->name(), [$list, ...$under]));
            }
        }

        return implode(' ', $order);
    }
}

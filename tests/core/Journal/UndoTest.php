<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Journal;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\CannotUndo;
use ZippyTray\Core\Journal\Entry;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\UndoBlocked;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Core\Tray\Decision\Delete;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Tests\Core\World\World;

final class UndoTest extends TestCase
{
    public function testAnEntryThatIsNotTheLastCanBeUndone(): void
    {
        $world = new World();
        [$one, $two] = [$world->conversation('One'), $world->conversation('Two')];
        $first = $world->decide(new Archive(), [$one]);
        $world->decide(new Delete(), [$two]);

        $world->undo($first);

        self::assertSame(Place::Tray, $one->placeAt($world->clock->now()));
        self::assertSame(Place::Bin, $two->placeAt($world->clock->now()));
    }

    public function testALaterEntryAboutTheSameObjectStandsInTheWayAndIsNamed(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        $first = $world->decide(new Archive(), [$conversation]);
        $later = $world->decide(new Delete(), [$conversation]);

        try {
            $world->undo($first);
            self::fail('It was undone.');
        } catch (UndoBlocked $blocked) {
            self::assertSame($later, $blocked->later);
            self::assertSame(Place::Bin, $conversation->placeAt($world->clock->now()));
        }
        $world->undo($later);
        $world->undo($first);
        self::assertSame(Place::Tray, $conversation->placeAt($world->clock->now()));
    }

    public function testOfSeveralConversationsNoneIsPutBackWhenOneIsInTheWay(): void
    {
        $world = new World();
        [$one, $two] = [$world->conversation('One'), $world->conversation('Two')];
        $both = $world->decide(new Archive(), [$one, $two]);
        $world->decide(new Delete(), [$one]);
        $before = $world->state();

        $this->expectException(UndoBlocked::class);
        try {
            $world->undo($both);
        } finally {
            self::assertSame($before, $world->state());
            self::assertNull($both->undoneBy());
        }
    }

    public function testArrivingMailStandsInTheWay(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        $entry = $world->decide(new Archive(), [$conversation]);
        $conversation->receive($world->message(sent: '2026-11-24T11:00:00Z'), true, $world->clock->now());

        try {
            $world->undo($entry);
            self::fail('It was undone.');
        } catch (UndoBlocked $blocked) {
            self::assertNull($blocked->later);
            self::assertStringContainsString('mail that arrived', $blocked->getMessage());
        }
    }

    public function testUndoingTwiceIsRefusedAndTheSameRequestTwiceIsNot(): void
    {
        $world = new World();
        $entry = $world->decide(new Archive(), [$world->conversation()]);
        $undo = ($world->undo)(World::account(), new EntryId('undo-1'), $entry->id);

        self::assertSame($undo, ($world->undo)(World::account(), new EntryId('undo-1'), $entry->id));
        $this->expectException(CannotUndo::class);
        ($world->undo)(World::account(), new EntryId('undo-2'), $entry->id);
    }

    public function testUndoingAnUndoingDoesItAgainAndItCanBeUndoneAgain(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        $entry = $world->decide(new Archive(), [$conversation]);
        $undone = $world->undo($entry);
        $again = $world->undo($undone);

        self::assertSame(Place::Archive, $conversation->placeAt($world->clock->now()));
        self::assertNull($entry->undoneBy());
        self::assertSame($again->id, $undone->undoneBy());

        $world->undo($again);
        self::assertSame(Place::Tray, $conversation->placeAt($world->clock->now()));
        self::assertSame($undone->id, $entry->undoneBy());
    }

    public function testUndoingATaskTakesItsNewListAwayUnlessAnotherTaskIsInIt(): void
    {
        $world = new World();
        $first = $world->makeTask(new TaskFields('First', list: 'Roof'));
        $second = $world->makeTask(new TaskFields('Second', list: 'Roof'));

        $world->undo($first);
        self::assertCount(1, $world->memory->lists);
        self::assertSame('Second', $world->task('Second')->title());

        $world->undo($second);
        self::assertCount(0, $world->memory->tasks);
    }

    public function testATaskIsNotMovedBackIntoAListThatIsGone(): void
    {
        $world = new World();
        $made = $world->makeTask(new TaskFields('First', list: 'Roof'));
        $world->makeTask(new TaskFields('Second', list: 'House'));
        $other = $world->task('Second');
        $moved = ($world->editTask)(
            World::account(),
            new EntryId('in'),
            $other->id,
            $other->revision(),
            new TaskFields('Second', list: 'Roof'),
            World::zone(),
        );
        $away = ($world->editTask)(
            World::account(),
            new EntryId('out'),
            $other->id,
            $other->revision(),
            new TaskFields('Second', list: 'House'),
            World::zone(),
        );
        $gone = $world->undo($made);
        self::assertNotSame($moved->id->text, $away->id->text);

        try {
            $world->undo($away);
            self::fail('It was put into a list that is not there.');
        } catch (UndoBlocked $blocked) {
            self::assertSame($gone, $blocked->later);
        }
    }

    public function testWhatWasRemovedFromTheBinForGoodCannotBePutBack(): void
    {
        $world = new World();
        $conversation = $world->conversation();
        $deleted = $world->decide(new Delete(), [$conversation]);
        $emptied = ($world->emptyBin)(World::account(), new EntryId('emptied'));

        try {
            $world->undo($deleted);
            self::fail('It was undone.');
        } catch (UndoBlocked $blocked) {
            self::assertSame($emptied, $blocked->later);
            self::assertStringContainsString('for good', $blocked->getMessage());
        }
        $this->expectException(CannotUndo::class);
        $world->undo($emptied);
    }

    public function testAnEntryThatIsNotThereIsNotFound(): void
    {
        $this->expectException(NotFound::class);
        (new World())->undo->__invoke(World::account(), new EntryId('undo'), new EntryId('no such entry'));
    }

    public function testWhatCameAfterIsUndoneWithItInOneStepAndDoneAgain(): void
    {
        $world = new World();
        [$one, $two, $three] = [$world->conversation('One'), $world->conversation('Two'), $world->conversation('Three')];
        $start = $world->state();
        $first = $world->decide(new Archive(), [$one]);
        // It reaches the second by way of what it was done to together with the first.
        $both = $world->decide(new Delete(), [$one, $two]);
        $other = $world->decide(new Archive(), [$three]);
        $second = $world->decide(new Archive(), [$two]);
        $undone = $world->decide(new Delete(), [$two]);
        $world->undo($undone);
        try {
            $world->undo($first);
            self::fail('It was undone.');
        } catch (UndoBlocked $blocked) {
            self::assertSame([$both, 2], [$blocked->later, $blocked->steps], 'Named is what stands in the way, and not the newest of all.');
        }
        $before = $world->state();
        $through = ($world->undo)(World::account(), new EntryId('through'), $first->id, true);
        self::assertSame(
            [Place::Tray, Place::Tray, Place::Archive],
            array_map(static fn ($conversation): Place => $conversation->placeAt($world->clock->now()), [$one, $two, $three]),
        );
        self::assertSame(
            ['through', 'through', 'through', null],
            array_map(static fn (Entry $entry): ?string => $entry->undoneBy()?->text, [$first, $both, $second, $other]),
        );
        $world->undo($through);
        self::assertSame($before, $world->state());
        self::assertSame(
            [null, null, null],
            [$first->undoneBy(), $both->undoneBy(), $second->undoneBy()],
            'All of them are in effect again.',
        );
        ($world->undo)(World::account(), new EntryId('once more'), $first->id, true);
        $world->undo($other);
        self::assertSame($start, $world->state());
    }
}

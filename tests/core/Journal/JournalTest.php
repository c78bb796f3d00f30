<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Journal;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Journal\Step;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Tray\Claim;
use ZippyTray\Core\Tray\ClearingOrder;
use ZippyTray\Core\Tray\Decision\Archive;
use ZippyTray\Tests\Core\World\World;

final class JournalTest extends TestCase
{
    public function testAnEntrySaysToHowManyItWasDone(): void
    {
        $step = new Step();
        self::assertSame(0, $step->things());
        $step->say('One');
        $step->say('Two', 'in the archive');
        $step->say('', 'and more');
        $step->say('All of them', '', 5);

        self::assertSame([7, 'One', ''], [$step->things(), $step->about(), $step->consequence()]);
        $world = new World();
        self::assertSame(2, $world->decide(new Archive(), [$world->conversation('One'), $world->conversation('Two')])->things);
    }

    public function testAnObjectIsTheSameByKindAndId(): void
    {
        $task = new ObjectRef(ObjectKind::Task, 'a');
        self::assertTrue($task->is(new ObjectRef(ObjectKind::Task, 'a')));
        self::assertFalse($task->is(new ObjectRef(ObjectKind::Task, 'b')));
        self::assertFalse($task->is(new ObjectRef(ObjectKind::Conversation, 'a')));
    }

    public function testOnlyInAClearingThatThereIsSomethingIsDone(): void
    {
        $world = new World();
        $claims = [new Claim($world->conversation()->id)];
        $before = $world->state();
        try {
            ($world->decide)(World::account(), new EntryId('e'), new Archive(), $claims, new ClearingId('lost'));
            self::fail('There is no such clearing.');
        } catch (NotFound) {
            self::assertSame($before, $world->state());
        }
        $world->clear->begin(World::account(), new ClearingId('c'), ClearingOrder::Grouped, static fn (): int => 1);
        self::assertSame(
            'c',
            ($world->decide)(World::account(), new EntryId('e'), new Archive(), $claims, new ClearingId('c'))->entry->clearingId?->text,
        );
    }
}

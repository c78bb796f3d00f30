<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda\Week;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\Week\Figures;
use ZippyTray\Core\Agenda\Week\KeepLookBack;
use ZippyTray\Core\Agenda\Week\LookBack;
use ZippyTray\Core\Agenda\Week\Stop;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Week;
use ZippyTray\Tests\Core\World\Memory;
use ZippyTray\Tests\Core\World\MemoryLookBacks;
use ZippyTray\Tests\Core\World\MemoryTransaction;
use ZippyTray\Tests\Core\World\SetClock;
use ZippyTray\Tests\Core\World\World;

final class LookBackTest extends TestCase
{
    /** @return iterable<string, array{string, Week, string}> today, the week, the first day of that over which one looks back */
    public static function days(): iterable
    {
        yield 'a Monday' => ['2026-11-23', new Week(), '2026-11-16'];
        yield 'a Thursday' => ['2026-11-26', new Week(), '2026-11-16'];
        yield 'a Friday' => ['2026-11-27', new Week(), '2026-11-23'];
        yield 'a Sunday' => ['2026-11-29', new Week(), '2026-11-23'];
        yield 'a Saturday, of a week that begins on Sunday' => ['2026-11-28', new Week(7), '2026-11-22'];
        yield 'a Sunday, of such a week' => ['2026-11-29', new Week(7), '2026-11-22'];
        yield 'a Wednesday, when one works until then' => ['2026-11-25', new Week(1, [1, 2, 3]), '2026-11-23'];
        yield 'a Sunday, when one works then' => ['2026-11-29', new Week(1, [7]), '2026-11-23'];
    }

    #[DataProvider('days')]
    public function testWhichWeek(string $today, Week $week, string $first): void
    {
        self::assertSame($first, (string) LookBack::weekOn(LocalDate::parse($today), $week));
    }

    public function testItGoesOnWhereItWasLeft(): void
    {
        $lookBacks = new MemoryLookBacks();
        $clock = new SetClock('2026-11-27T15:00:00Z');
        $keep = new KeepLookBack($lookBacks, new MemoryTransaction(new Memory()), $clock);
        $week = LocalDate::parse('2026-11-23');
        $keep->goTo(World::account(), $week, Stop::Owed);
        self::assertSame(Stop::Owed, $lookBacks->of(World::account(), $week)?->stop());
        $first = $keep->end(World::account(), $week)->endedAt();
        $clock->set('2026-11-27T16:00:00Z');
        self::assertEquals($first, $keep->end(World::account(), $week)->endedAt());
        self::assertNull($keep->goTo(World::account(), $week, Stop::Lists)->endedAt());
        self::assertNull($lookBacks->of(World::account(), $week->plusDays(7)), 'Each week by itself.');
        self::assertNotNull($keep->end(World::account(), $week->plusDays(7))->endedAt(), 'Who has looked elsewhere says so.');
    }

    public function testFiguresSayNothingOfWhatIsNotKnown(): void
    {
        self::assertSame([null, null], [(new Figures())->timesTouched(), (new Figures())->ratio()]);
        $figures = new Figures(30, 45, 30, 1800, 4, 12, 100, 8400, 9000);
        self::assertSame([1.5, 1.4], [$figures->timesTouched(), $figures->ratio()]);
        self::assertSame(1.0, (new Figures(touches: 0, touched: 3))->timesTouched(), 'Whoever decides from the list has seen it once.');
        self::assertEquals($figures, Figures::fromState($figures->state()));
        self::assertEquals(new Figures(7), Figures::fromState(['decided' => 7, 'putOffs' => 'x', 'took' => -4]));
    }
}

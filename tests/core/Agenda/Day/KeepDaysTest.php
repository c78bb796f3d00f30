<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda\Day;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\Day\DayPlan;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Task\TaskFields;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Tests\Core\World\World;

final class KeepDaysTest extends TestCase
{
    public function testADayHasOneKeystoneAtMost(): void
    {
        $world = new World();
        $day = LocalDate::parse('2026-11-24');
        foreach (['Polish the lens', 'Write the rota'] as $title) {
            $world->makeTask(new TaskFields($title));
        }
        [$lens, $rota] = [$world->task('Polish the lens')->id, $world->task('Write the rota')->id];
        $first = $world->keepDays->choose(World::account(), new EntryId('a'), $day, $lens);
        $second = $world->keepDays->choose(World::account(), new EntryId('b'), $day, $rota);
        $none = $world->keepDays->choose(World::account(), new EntryId('c'), $day, null);
        $other = $world->keepDays->choose(World::account(), new EntryId('d'), $day->plusDays(1), $lens);
        self::assertSame([null, $lens->text], self::keystones($world));
        self::assertSame(
            [
                'keystone of Tue 24 Nov 2026',
                'keystone of Tue 24 Nov 2026',
                'no longer keystone of Tue 24 Nov 2026',
                'keystone of Wed 25 Nov 2026',
            ],
            [$first->consequence, $second->consequence, $none->consequence, $other->consequence],
        );
        self::assertSame('Write the rota', $none->about);
        foreach ([
            [$other, [null, null]],
            [$none, [$rota->text, null]],
            [$second, [$lens->text, null]],
            [$first, [null, null]],
        ] as [$entry, $left]) {
            $world->undo($entry);
            self::assertSame($left, self::keystones($world));
        }
    }

    public function testWhatIsDoneOrUnknownIsNone(): void
    {
        $world = new World();
        $world->makeTask(new TaskFields('Polish the lens'));
        $world->task('Polish the lens')->complete($world->clock->now());
        foreach ([[$world->task('Polish the lens')->id, Refused::class], [new TaskId('nobody'), NotFound::class]] as [$id, $problem]) {
            try {
                $world->keepDays->choose(World::account(), new EntryId('x'), LocalDate::parse('2026-11-24'), $id);
                self::fail($problem);
            } catch (Refused|NotFound $found) {
                self::assertSame($problem, $found::class);
            }
        }
    }

    public function testThatADayWasLaidOutIsNoDecision(): void
    {
        $world = new World();
        $day = LocalDate::parse('2026-11-24');
        $world->keepDays->laidOut(World::account(), $day);
        $world->keepDays->closed(World::account(), $day);
        $plan = array_values($world->memory->plans)[0];
        self::assertEquals([$world->clock->now(), $world->clock->now()], [$plan->laidOutAt(), $plan->closedAt()]);
        self::assertSame([], $world->memory->entries);
        self::assertCount(1, $world->memory->plans);
    }

    /** @return list<string|null> */
    private static function keystones(World $world): array
    {
        return array_map(static fn (DayPlan $plan): ?string => $plan->keystone()?->text, array_values($world->memory->plans));
    }
}

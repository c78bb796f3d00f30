<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Task;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Task\LastRanks;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Rank;
use ZippyTray\Core\Task\Task;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Task\Tasks;
use ZippyTray\Tests\Core\World\World;

final class LastRanksTest extends TestCase
{
    public function testWhereTasksAreMadeIsAskedOnceAndNeverUnderWhatWasMadeAMomentAgo(): void
    {
        $asked = [];
        $tasks = $this->createMock(Tasks::class);
        $tasks->method('lastRank')->willReturnCallback(static function ($account, ListId $list, ?TaskId $parent) use (&$asked): string {
            $asked[] = $list.' '.$parent;

            return 'Q';
        });
        $ranks = new LastRanks($tasks);
        $next = static fn (string $list, ?string $parent = null): string => $ranks->next(
            World::account(),
            new ListId($list),
            TaskId::orNull($parent),
        );
        $first = $next('roof');
        $second = $next('roof');
        self::assertSame([Rank::between('Q', null), Rank::between($first, null)], [$first, $second]);
        $ranks->made(new Task(new TaskId('new'), World::account(), new \DateTimeImmutable(), 'Paint', new ListId('roof'), $second));
        $under = $next('roof', 'new');
        self::assertSame([Rank::between(null, null), Rank::between($under, null)], [$under, $next('roof', 'new')]);
        self::assertSame([Rank::between('Q', null), Rank::between('Q', null)], [$next('roof', 'old'), $next('house')]);
        self::assertSame(['roof ', 'roof old', 'house '], $asked);
    }
}

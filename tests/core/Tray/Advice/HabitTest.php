<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Advice;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Tray\Advice\AdvisedDecision;
use ZippyTray\Core\Tray\Advice\Habit;
use ZippyTray\Core\Tray\Importance\Shown;

final class HabitTest extends TestCase
{
    /** @return iterable<string, array{list<AdvisedDecision>, AdvisedDecision|null, int, AdvisedDecision|null}> */
    public static function decisions(): iterable
    {
        [$archive, $task] = [AdvisedDecision::Archive, AdvisedDecision::Task];
        yield 'none' => [[], null, 0, null];
        yield 'twice is no habit' => [[$archive, $archive], null, 0, null];
        yield 'three times is' => [[$archive, $archive, $archive], $archive, 3, $archive];
        yield 'the last ones count' => [[$archive, $archive, $archive, $task], $archive, 3, $archive];
        yield 'not what was before another' => [[$task, $archive, $archive, $archive], null, 0, $archive];
        yield 'this and that' => [[$task, $task, $task, $archive, $archive, $archive], $task, 3, null];
        yield 'no more than are looked at' => [[...array_fill(0, 12, $archive), ...array_fill(0, 20, $task)], $archive, 12, $archive];
    }

    /** @param list<AdvisedDecision> $decisions */
    #[DataProvider('decisions')]
    public function testWhatAHabitIs(array $decisions, ?AdvisedDecision $decision, int $times, ?AdvisedDecision $mostly): void
    {
        $habit = Habit::of('Tam', false, array_map(static fn (AdvisedDecision $one): array => [$one, Shown::Read], $decisions));
        self::assertSame([$decision, $times, $mostly], [$habit->decision, $habit->times, $habit->mostly]);
        self::assertSame(null !== $decision, null !== $decision && $habit->is($decision));
    }

    /** @return iterable<string, array{list<array{AdvisedDecision, Shown}>, bool, string}> what was done; whether of a list */
    public static function sentences(): iterable
    {
        $times = static fn (AdvisedDecision $decision, Shown $shown, int $times): array => array_fill(0, $times, [$decision, $shown]);
        [$now, $task, $archive] = [AdvisedDecision::Now, AdvisedDecision::Task, AdvisedDecision::Archive];
        $read = [$archive, Shown::Read];
        yield 'answered' => [[$read, ...$times($now, Shown::Answered, 7)], false, 'You answered 7 of the last 8 from Olga within a day.'];
        yield 'a list that is deleted' => [
            $times(AdvisedDecision::Delete, Shown::Dropped, 12),
            true,
            'You deleted the last 12 of this list.',
        ];
        yield 'no more than are looked at' => [
            [...$times(AdvisedDecision::Delete, Shown::Dropped, 12), $read],
            true,
            'You deleted the last 12 of this list.',
        ];
        yield 'done' => [$times($now, Shown::Acted, 3), false, 'You did at once the last 3 from Olga.'];
        yield 'tasks' => [$times($task, Shown::Acted, 3), false, 'You made tasks of the last 3 from Olga.'];
        yield 'handed over' => [$times(AdvisedDecision::Delegate, Shown::Acted, 4), false, 'You handed over the last 4 from Olga.'];
        yield 'put off' => [
            [...$times(AdvisedDecision::Snooze, Shown::PutOff, 3), $read],
            false,
            'You put off 3 of the last 4 from Olga.',
        ];
        yield 'archived' => [$times($archive, Shown::Read, 5), false, 'You archived the last 5 from Olga after a look.'];
        yield 'not even looked at' => [$times($archive, Shown::Unread, 5), true, 'You archived the last 5 of this list without a look.'];
        yield 'muted' => [$times($archive, Shown::Dropped, 3), false, 'You muted the last 3 from Olga.'];
        yield 'blocked' => [$times(AdvisedDecision::Block, Shown::Dropped, 3), false, 'You blocked the last 3 from Olga.'];
        yield 'roughly the same' => [
            [...$times($now, Shown::Answered, 2), ...$times($task, Shown::Acted, 2)],
            false,
            'You acted on the last 4 from Olga.',
        ];
        yield 'roughly archived' => [
            [...$times($archive, Shown::Read, 2), ...$times($archive, Shown::Unread, 2)],
            false,
            'You archived the last 4 from Olga.',
        ];
        yield 'too few' => [$times($now, Shown::Acted, 2), false, ''];
        yield 'this and that' => [[$read, [$now, Shown::Acted], $read, [$now, Shown::Acted]], false, ''];
        yield 'nothing' => [[], false, ''];
    }

    /** @param list<array{AdvisedDecision, Shown}> $done */
    #[DataProvider('sentences')]
    public function testWhatWasDoneWithTheLastOnesIsSaid(array $done, bool $list, string $sentence): void
    {
        self::assertSame($sentence, Habit::of('Olga', $list, $done)->text);
    }

    public function testANameIsNoFormat(): void
    {
        $done = array_fill(0, 3, [AdvisedDecision::Archive, Shown::Read]);
        self::assertSame('You archived the last 3 from 100 s after a look.', Habit::of('100%% s', false, $done)->text);
    }
}

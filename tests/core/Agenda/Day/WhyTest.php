<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda\Day;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\Agenda\Day\NextGap;
use ZippyTray\Core\Agenda\Day\Why;
use ZippyTray\Core\Time\LocalDate;

final class WhyTest extends TestCase
{
    /** @return iterable<string, array{int|null, bool, int|null, list<int>, int|null, Why|null, Why|null}> days from today on */
    public static function tasks(): iterable
    {
        yield 'nothing known' => [null, false, null, [], null, null, null];
        yield 'due another day' => [2, false, null, [], null, null, null];
        yield 'due today' => [0, false, null, [], null, Why::Due, Why::Due];
        yield 'over' => [-3, true, null, [], null, Why::Over, Why::Over];
        yield 'over since an hour' => [0, true, null, [], null, Why::Over, Why::Over];
        yield 'meant for yesterday' => [2, false, null, [-1], null, Why::Left, Why::Left];
        yield 'meant for yesterday, and over' => [-1, true, null, [-1], null, Why::Left, Why::Left];
        yield 'meant for today' => [0, false, null, [0], null, null, Why::Left];
        yield 'a piece of it lies ahead' => [0, false, null, [-1, 3], null, null, null];
        yield 'a piece of it lies today, another ahead' => [3, false, null, [0, 1], null, null, null];
        yield 'begins today' => [5, false, 0, [], null, Why::Began, null];
        yield 'began yesterday, after a day was laid out' => [5, false, -1, [], -2, Why::Began, null];
        yield 'began yesterday, and was asked about then' => [5, false, -1, [], -1, null, null];
        yield 'began on Friday; nobody laid out a day since' => [5, false, -3, [], -4, Why::Began, null];
        yield 'begins tomorrow' => [5, false, 1, [], null, null, null];
        yield 'out of the way, though it is over' => [-1, true, 1, [], null, null, Why::Over];
    }

    /** @param list<int> $laid */
    #[DataProvider('tasks')]
    public function testWhatIsAsked(?int $due, bool $over, ?int $start, array $laid, ?int $since, ?Why $morning, ?Why $night): void
    {
        $today = LocalDate::parse('2026-11-27');
        $day = static fn (?int $days): ?LocalDate => null === $days ? null : $today->plusDays($days);
        $days = array_map($today->plusDays(...), $laid);
        self::assertSame($morning, Why::ofTask($today, $day($since), $day($due), $over, $day($start), $days));
        self::assertSame($night, Why::atNight($today, $day($due), $over, $days));
    }

    /** Against trying each quarter of an hour. */
    public function testTheNextGapIsTheFirst(): void
    {
        $chance = new Randomizer(new Mt19937(16));
        for ($case = 0; $case < 2000; ++$case) {
            $from = $chance->getInt(0, 40) * 300;
            $until = $from + $chance->getInt(0, 100) * 300;
            $seconds = $chance->getInt(1, 24) * 300;
            $taken = [];
            for ($number = $chance->getInt(0, 6); $number > 0; --$number) {
                $begins = $chance->getInt(0, 130) * 300;
                $taken[] = [$begins, $begins + $chance->getInt(0, 20) * 300];
            }
            $first = null;
            for ($at = (int) ceil($from / 900) * 900; null === $first && $at + $seconds <= $until; $at += 900) {
                $isFree = [] === array_filter($taken, static fn (array $one): bool => $one[0] < $at + $seconds && $one[1] > $at);
                $first = $isFree ? $at : null;
            }
            self::assertSame($first, NextGap::of($from, $until, $taken, $seconds), json_encode([$from, $until, $taken, $seconds]) ?: '');
        }
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\Fit;
use ZippyTray\Core\Agenda\FitLoads;
use ZippyTray\Core\Agenda\Load;
use ZippyTray\Core\Time\LocalDate;

final class FitLoadsTest extends TestCase
{
    /**
     * @return iterable<string, array{
     *     list<int>, list<array{0: string, 1: int, 2?: int|null, 3?: int|null, 4?: int|null}>, string, string
     * }> minutes of each day; loads with id, minutes, first, last and own day; what is placed; what is short
     */
    public static function days(): iterable
    {
        yield 'nothing' => [[60], [], '', ''];
        yield 'one that fits' => [[60, 60], [['a', 50, null, 1]], ' | a50', ''];
        yield 'in two pieces, as late as it may' => [[60, 60], [['a', 90, null, 1]], 'a30 | a60', ''];
        yield 'what has to be done soonest comes first' => [[60, 60], [['a', 40, null, 1], ['b', 50, null, 0]], 'b50 | a40', ''];
        yield 'one that does not fit' => [[60, 60], [['a', 130, null, 1]], 'a60 | a60', 'a10 by 1'];
        yield 'not before it can begin' => [[60, 60, 60], [['a', 30, 1, 2], ['b', 70, null, 2]], ' | b40 | a30 b30', ''];
        yield 'it cannot begin before it has to be done' => [[60, 60], [['a', 70, 1, 0]], ' | a60', 'a10 by 1'];
        yield 'over already' => [[60, 60], [['a', 70, null, -3]], 'a60 |', 'a10 by 0'];
        yield 'meant for a day' => [[60, 60], [['a', 50, null, 1], ['b', 40, null, 1, 0]], 'b40 | a50', ''];
        yield 'more meant for a day than there is' => [[60, 60], [['b', 90, null, null, 0], ['a', 70, null, 1]], 'b90 | a60', 'a10 by 1'];
        yield 'meant for a day that is not looked at' => [[60], [['b', 90, null, null, 5]], '', ''];
        yield 'without a last day' => [[60, 60], [['a', 50], ['b', 60, null, 1]], 'b50 | a50 b10', ''];
        yield 'without a last day, and not whole' => [[60], [['a', 90]], 'a60', 'a30'];
        yield 'days off' => [[0, 60, 0], [['a', 70, null, 2]], ' | a60 |', 'a10 by 2'];
        yield 'less than nothing there' => [[-30, 60], [['a', 70, null, 1]], ' | a60', 'a10 by 1'];
        yield 'beyond the days' => [[60], [['a', 30, 4, 9]], '', 'a30 by 9'];
        yield 'of nothing nothing is placed' => [[60], [['a', 0, null, 0]], '', ''];
    }

    /**
     * @param list<int>                                                                $there
     * @param list<array{0: string, 1: int, 2?: int|null, 3?: int|null, 4?: int|null}> $loads
     */
    #[DataProvider('days')]
    public function testWhatIsDoneWhen(array $there, array $loads, string $placed, string $short): void
    {
        $fit = FitLoads::of(self::day(0), $there, array_map(static fn (array $one): Load => self::load(...$one), $loads));
        $text = [];
        foreach ($fit->placed as $pieces) {
            $text[] = implode(' ', array_map(static fn (string $id, int $minutes): string => $id.$minutes, array_keys($pieces), $pieces));
        }
        self::assertSame(trim($placed), trim(implode(' | ', $text)));
        self::assertSame($short, implode(', ', array_map(
            static fn (string $id, array $one): string => $id.$one['minutes']
                .(null === $one['by'] ? '' : ' by '.self::day(0)->daysUntil($one['by'])),
            array_keys($fit->short),
            $fit->short,
        )));
    }

    public function testWhatIsSaidOfADay(): void
    {
        $fit = FitLoads::of(self::day(0), [60, 60, 60], [
            self::load('meant', 80, null, null, 0),
            self::load('due', 90, null, 2),
            self::load('late', 40, null, 0),
        ]);
        self::assertSame([80, 60, 20], [$fit->promised(self::day(0)), $fit->there(self::day(0)), $fit->over(self::day(0))]);
        self::assertSame([30, 0], [$fit->promised(self::day(1)), $fit->over(self::day(1))]);
        self::assertSame(['2026-11-26', null], [$fit->doneOn('due')?->__toString(), $fit->doneOn('late')]);
        self::assertSame([40, 40, false], [$fit->shortOf('late'), $fit->missing(), $fit->isWhole()]);
        self::assertSame([0, 0], [$fit->promised(self::day(9)), $fit->there(self::day(-1))]);
    }

    /** Held against the greatest flow from minutes to days: as little as possible is left over, and what is placed keeps the rules. */
    public function testAsLittleAsPossibleIsLeftOver(): void
    {
        mt_srand(7);
        for ($case = 0; $case < 1500; ++$case) {
            $there = array_map(static fn (): int => mt_rand(0, 4) * mt_rand(0, 2), range(1, mt_rand(1, 6)));
            $loads = [];
            foreach (range(1, mt_rand(1, 7)) as $number) {
                $from = mt_rand(-1, 4);
                $until = mt_rand(0, 3) > 0 ? mt_rand(-1, 6) : null;
                $on = 0 === mt_rand(0, 6) ? mt_rand(0, \count($there) - 1) : null;
                $loads[] = self::load('load '.$number, mt_rand(0, 6), $from, $until, $on);
            }
            $fit = FitLoads::of(self::day(0), $there, $loads);
            $this->keepsTheRules($fit, $loads, $there, $case);
            $placed = array_sum(array_map(array_sum(...), $fit->placed));
            self::assertSame(self::most($there, $loads), $placed, 'Case '.$case);
        }
    }

    /** Of loads that all have the same first day, it is told by sums alone whether all fit. */
    public function testAllFitsExactlyWhenNoSumUpToADayIsTooMuch(): void
    {
        mt_srand(8);
        for ($case = 0; $case < 1000; ++$case) {
            $there = array_map(static fn (): int => mt_rand(0, 8), range(1, mt_rand(1, 7)));
            $loads = array_map(
                static fn (int $number): Load => self::load('load '.$number, mt_rand(0, 9), null, mt_rand(0, \count($there) - 1)),
                range(1, mt_rand(1, 6)),
            );
            $short = 0;
            foreach (array_keys($there) as $day) {
                $due = array_filter(
                    $loads,
                    static fn (Load $load): bool => null !== $load->until && self::day(0)->daysUntil($load->until) <= $day,
                );
                $sum = array_sum(array_map(static fn (Load $load): int => $load->minutes, $due));
                $short = max($short, $sum - array_sum(\array_slice($there, 0, $day + 1)));
            }
            $fit = FitLoads::of(self::day(0), $there, $loads);
            self::assertSame([0 === $short, $short], [$fit->isWhole(), $fit->missing()], 'Case '.$case);
        }
    }

    /**
     * @param list<Load> $loads
     * @param list<int>  $there
     */
    private function keepsTheRules(Fit $fit, array $loads, array $there, int $case): void
    {
        $done = array_fill_keys(array_map(static fn (Load $load): string => $load->id, $loads), 0);
        $by = array_combine(array_keys($done), $loads);
        foreach ($fit->placed as $day => $pieces) {
            $meant = 0;
            foreach ($pieces as $id => $minutes) {
                $load = $by[$id];
                $done[$id] += $minutes;
                $meant += null === $load->on ? 0 : $minutes;
                self::assertGreaterThan(0, $minutes);
                if (null === $load->on) {
                    $from = max(0, self::day(0)->daysUntil($load->from ?? self::day(0)));
                    $until = null === $load->until ? \PHP_INT_MAX : max($from, self::day(0)->daysUntil($load->until));
                    self::assertTrue($from <= $day && $day <= $until, 'Case '.$case.', '.$id);
                }
            }
            self::assertLessThanOrEqual(max($meant, $there[$day]), array_sum($pieces), 'Case '.$case);
        }
        foreach ($fit->placed as $day => $pieces) {
            foreach (array_keys($pieces) as $id) {
                $until = null === $by[$id]->until ? \PHP_INT_MAX : self::day(0)->daysUntil($by[$id]->until);
                for ($later = $day + 1; null === $by[$id]->on && $later < min(\count($there), $until + 1); ++$later) {
                    self::assertGreaterThanOrEqual($there[$later], array_sum($fit->placed[$later]), "Case {$case}, {$id} can wait.");
                }
            }
        }
        foreach ($loads as $load) {
            self::assertSame($load->minutes, $done[$load->id] + $fit->shortOf($load->id), 'Case '.$case.', '.$load->id);
        }
    }

    /**
     * @param list<int>  $there
     * @param list<Load> $loads
     */
    private static function most(array $there, array $loads): int
    {
        $fixed = 0;
        foreach ($loads as $load) {
            if (null !== $load->on) {
                $fixed += $load->minutes;
                $there[self::day(0)->daysUntil($load->on)] -= $load->minutes;
            }
        }
        $there = array_values(array_map(static fn (int $minutes): int => max(0, $minutes), $there));
        // Each minute finds a day, if need be by sending others elsewhere (augmenting paths).
        $taken = array_fill(0, \count($there), []);
        $days = static function (Load $load) use ($there): array {
            $from = max(0, self::day(0)->daysUntil($load->from ?? self::day(0)));
            $until = null === $load->until ? \count($there) - 1 : max($from, self::day(0)->daysUntil($load->until));

            return array_filter(array_keys($there), static fn (int $day): bool => $from <= $day && $day <= $until);
        };
        $flow = 0;
        foreach ($loads as $load) {
            for ($minute = 0; null === $load->on && $minute < $load->minutes; ++$minute) {
                $seen = [];
                $flow += self::seat($load, $days, $there, $taken, $seen) ? 1 : 0;
            }
        }

        return $fixed + $flow;
    }

    /**
     * @param callable(Load): array<int> $days
     * @param list<int>                  $there
     * @param array<int, array<Load>>    $taken
     * @param array<int, true>           $seen
     */
    private static function seat(Load $load, callable $days, array $there, array &$taken, array &$seen): bool
    {
        foreach ($days($load) as $day) {
            if (isset($seen[$day])) {
                continue;
            }
            $seen[$day] = true;
            if (\count($taken[$day]) < $there[$day]) {
                $taken[$day][] = $load;

                return true;
            }
            foreach ($taken[$day] as $place => $other) {
                if (self::seat($other, $days, $there, $taken, $seen)) {
                    $taken[$day][$place] = $load;

                    return true;
                }
            }
        }

        return false;
    }

    private static function load(string $id, int $minutes, ?int $from = null, ?int $until = null, ?int $on = null): Load
    {
        $day = static fn (?int $number): ?LocalDate => null === $number ? null : self::day($number);

        return new Load($id, $minutes, $day($from), $day($until), $day($on));
    }

    private static function day(int $number): LocalDate
    {
        return LocalDate::parse('2026-11-24')->plusDays($number);
    }
}

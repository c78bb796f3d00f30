<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\FindWays;
use ZippyTray\Core\Agenda\FitLoads;
use ZippyTray\Core\Agenda\Load;
use ZippyTray\Core\Agenda\Way;
use ZippyTray\Core\Agenda\WayKind;
use ZippyTray\Core\Time\LocalDate;

final class FindWaysTest extends TestCase
{
    public function testWhatIsShortIsDueLaterOrLessOrHandedOver(): void
    {
        $loads = [new Load('report', 130, null, self::day(1)), new Load('rota', 40, null, self::day(3))];
        self::assertSame(
            ['later on 2 missing 0', 'less 120 min missing 0', 'hand_over missing 0'],
            self::said((new FindWays(self::day(0), [60, 60, 60, 60], $loads))->of('report')),
        );
    }

    public function testWhatLiesOnADayThatHoldsTooMuchIsMeantForAnother(): void
    {
        $loads = [new Load('slates', 50, on: self::day(0)), new Load('lamp', 30, on: self::day(0)), new Load('key', 40, on: self::day(1))];
        self::assertSame(
            ['other_day on 2 missing 0', 'less 30 min missing 0', 'hand_over missing 0'],
            self::said((new FindWays(self::day(0), [60, 60, 60], $loads))->of('slates')),
        );
    }

    public function testWhatFitsOrIsUnknownNeedsNone(): void
    {
        $loads = [new Load('a', 50, null, self::day(0)), new Load('b', 90), new Load('c', 10, on: self::day(0))];
        $ways = new FindWays(self::day(0), [60], $loads);
        foreach (['a', 'b', 'c', 'nobody'] as $id) {
            self::assertSame([], $ways->of($id), $id);
        }
    }

    public function testWhatFitsNowhereCanOnlyBeLessOrHandedOver(): void
    {
        $ways = (new FindWays(self::day(0), [60, 60], [new Load('a', 200, null, self::day(0))]))->of('a');
        self::assertSame(['less 60 min missing 0', 'hand_over missing 0'], self::said($ways));
        self::assertSame(
            ['hand_over missing 0'],
            self::said((new FindWays(self::day(0), [0, 0], [new Load('a', 20, null, self::day(0))]))->of('a')),
        );
    }

    /** Each way keeps what it promises, and the later day is the first that does. */
    public function testEachWayIsOne(): void
    {
        mt_srand(21);
        $seen = [];
        for ($case = 0; $case < 400; ++$case) {
            $there = array_map(static fn (): int => mt_rand(0, 3) * 20, range(1, mt_rand(2, 8)));
            $loads = array_map(static fn (int $number): Load => new Load(
                'load '.$number,
                mt_rand(1, 80),
                mt_rand(0, 1) > 0 ? self::day(mt_rand(0, 4)) : null,
                mt_rand(0, 4) > 0 ? self::day(mt_rand(0, 6)) : null,
                0 === mt_rand(0, 3) ? self::day(mt_rand(0, \count($there) - 1)) : null,
            ), range(1, mt_rand(1, 6)));
            $now = FitLoads::of(self::day(0), $there, $loads);
            foreach ($loads as $load) {
                foreach ((new FindWays(self::day(0), $there, $loads))->of($load->id) as $way) {
                    $seen[$way->kind->value] = true;
                    self::assertSame(0, $way->fit->shortOf($load->id), $case.' '.$way->kind->value);
                    self::assertLessThanOrEqual($now->missing(), $way->fit->missing(), $case.' '.$way->kind->value);
                    if (null !== $load->on) {
                        self::assertLessThan($now->over($load->on), $way->fit->over($load->on), (string) $case);
                    }
                    if (WayKind::Later === $way->kind) {
                        self::assertSame((string) self::firstDay($there, $loads, $load), (string) $way->day, (string) $case);
                    }
                }
            }
        }
        self::assertCount(\count(WayKind::cases()), $seen);
    }

    /**
     * @param list<int>  $there
     * @param list<Load> $loads
     */
    private static function firstDay(array $there, array $loads, Load $load): ?LocalDate
    {
        $now = FitLoads::of(self::day(0), $there, $loads);
        foreach (array_keys($there) as $number) {
            $day = self::day($number);
            if (null !== $load->until && !$load->until->isBefore($day)) {
                continue;
            }
            $fit = FitLoads::of(self::day(0), $there, array_map(
                static fn (Load $one): Load => $one->id === $load->id ? $one->until($day) : $one,
                $loads,
            ));
            if (0 === $fit->shortOf($load->id) && $fit->missing() <= $now->missing() - $now->shortOf($load->id)) {
                return $day;
            }
        }

        return null;
    }

    /**
     * @param list<Way> $ways
     *
     * @return list<string>
     */
    private static function said(array $ways): array
    {
        return array_map(static fn (Way $way): string => $way->kind->value
            .(null === $way->day ? '' : ' on '.self::day(0)->daysUntil($way->day))
            .(null === $way->minutes ? '' : ' '.$way->minutes.' min')
            .' missing '.$way->fit->missing(), $ways);
    }

    private static function day(int $number): LocalDate
    {
        return LocalDate::parse('2026-11-24')->plusDays($number);
    }
}

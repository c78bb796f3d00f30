<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Time\Passing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Passing\Stretch;
use ZippyTray\Core\Time\Passing\TimeLine;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Week;

final class TimeLineTest extends TestCase
{
    /** @return iterable<array{string, string}> when (as seen on Tuesday 24 November 2026), the part of the time line that it is in */
    public static function stretches(): iterable
    {
        yield ['2026-11-24 15:20', 'hour 2026-11-24 2026-11-24 15'];
        yield ['2026-11-24', 'hour 2026-11-24 2026-11-24 -'];
        yield ['2026-11-20 09:00', 'hour 2026-11-24 2026-11-24 -'];
        yield ['2026-11-25 09:00', 'day 2026-11-25 2026-11-25 -'];
        yield ['2026-12-06', 'day 2026-12-06 2026-12-06 -'];
        yield ['2026-12-07', 'week 2026-12-07 2026-12-13 -'];
        yield ['2027-01-03 23:59', 'week 2026-12-28 2027-01-03 -'];
        yield ['2027-01-04', 'month 2027-01-04 2027-01-31 -'];
        yield ['2027-02-28', 'month 2027-02-01 2027-02-28 -'];
        yield ['2028-02-29', 'month 2028-02-01 2028-02-29 -'];
    }

    #[DataProvider('stretches')]
    public function testPartsGrowWithTheDistance(string $when, string $expected): void
    {
        self::assertSame($expected, self::text(self::stretch(self::line(), $when)));
    }

    public function testTheDaysBetweenAreGaps(): void
    {
        $line = self::line();
        $filled = array_map(
            static fn (string $when): Stretch => self::stretch($line, $when),
            ['2026-11-24 15:00', '2026-11-26', '2026-11-27', '2026-11-30', '2026-12-21', '2027-03-05'],
        );
        self::assertSame([
            'hour 2026-11-24 2026-11-24 15',
            'gap 2026-11-25 2026-11-25 -',
            'day 2026-11-26 2026-11-26 -',
            'day 2026-11-27 2026-11-27 -',
            'gap 2026-11-28 2026-11-29 -',
            'day 2026-11-30 2026-11-30 -',
            'gap 2026-12-01 2026-12-20 -',
            'week 2026-12-21 2026-12-27 -',
            'gap 2026-12-28 2027-02-28 -',
            'month 2027-03-01 2027-03-31 -',
        ], array_map(self::text(...), $line->withGaps($filled)));
        self::assertSame([], $line->withGaps([]));
    }

    /** Whatever the day and the first day of the week, every day to come is in one part, and the parts follow one another. */
    public function testTheLineHasNoHoles(): void
    {
        for ($number = 0; $number < 60; ++$number) {
            $today = LocalDate::parse('2027-12-01')->plusDays($number * 13);
            $line = new TimeLine(Moment::at($today, TimeOfDay::parse('10:00'), new \DateTimeZone('UTC')), new Week(1 + $number % 7));
            $next = $today->plusDays(1);
            while ($today->daysUntil($next) < 200) {
                $stretch = $line->stretch($next, null);
                self::assertSame((string) $next, (string) $stretch->from);
                self::assertEquals($stretch, $line->stretch($stretch->to, null));
                $next = $stretch->to->plusDays(1);
            }
        }
    }

    private static function line(): TimeLine
    {
        return new TimeLine(Moment::at(LocalDate::parse('2026-11-24'), TimeOfDay::parse('10:00'), new \DateTimeZone('UTC')), new Week());
    }

    private static function stretch(TimeLine $line, string $when): Stretch
    {
        return $line->stretch(LocalDate::parse(substr($when, 0, 10)), 10 === \strlen($when) ? null : TimeOfDay::parse(substr($when, 11)));
    }

    private static function text(Stretch $stretch): string
    {
        return \sprintf('%s %s %s %s', $stretch->kind->value, $stretch->from, $stretch->to, $stretch->hour ?? '-');
    }
}

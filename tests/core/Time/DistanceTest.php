<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Time;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Time\Distance;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;

final class DistanceTest extends TestCase
{
    /** @return iterable<array{string, string}> day or moment, distance from Tue 24 Nov 2026, 10:00 */
    public static function distances(): iterable
    {
        yield ['2026-11-24', 'today'];
        yield ['2026-11-25', 'tomorrow'];
        yield ['2026-11-23', 'yesterday'];
        yield ['2026-11-27', 'in 3 days'];
        yield ['2026-12-07', 'in 13 days'];
        yield ['2026-12-08', 'in 2 weeks'];
        yield ['2027-01-31', 'in 9 weeks'];
        yield ['2027-02-24', 'in 3 months'];
        yield ['2029-11-24', 'in 3 years'];
        yield ['2026-11-10', '2 weeks ago'];
        yield ['2026-11-24 10:00', 'now'];
        yield ['2026-11-24 10:01', 'in 1 minute'];
        yield ['2026-11-24 10:20', 'in 20 minutes'];
        yield ['2026-11-24 11:40', 'in 2 hours'];
        yield ['2026-11-24 09:00', '1 hour ago'];
        yield ['2026-11-24 21:59', 'in 12 hours'];
        yield ['2026-11-24 22:00', 'today'];
        yield ['2026-11-25 09:00', 'tomorrow'];
        yield ['2026-11-27 15:00', 'in 3 days'];
    }

    #[DataProvider('distances')]
    public function testHowFarItIs(string $written, string $distance): void
    {
        $zone = Moment::zone('Europe/Lisbon');
        $date = LocalDate::parse(substr($written, 0, 10));
        $moment = 10 === \strlen($written) ? null : Moment::at($date, TimeOfDay::parse(substr($written, 11)), $zone);
        self::assertSame(
            $distance,
            Distance::of($date, $moment, Moment::at(LocalDate::parse('2026-11-24'), TimeOfDay::parse('10:00'), $zone)),
        );
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\AgendaSettings;
use ZippyTray\Core\Agenda\HoursThere;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Week;

final class HoursThereTest extends TestCase
{
    /**
     * @return iterable<string, array{AgendaSettings, string, list<array{string, string}>, string|null, int}> day, what takes place, now,
     *                                                                                                        minutes; the 24th is a Tuesday
     */
    public static function days(): iterable
    {
        $own = new AgendaSettings([2 => ['from' => '08:30', 'to' => '12:00'], 6 => ['from' => '20:00', 'to' => '00:00']], 0);
        $whole = new AgendaSettings(keptFree: 0);
        yield 'as usual' => [$whole, '2026-11-24', [], null, 480];
        yield 'on a Sunday' => [$whole, '2026-11-29', [], null, 0];
        yield 'with a share kept free' => [new AgendaSettings(keptFree: 25), '2026-11-24', [], null, 360];
        yield 'with an event' => [new AgendaSettings(keptFree: 25), '2026-11-24', [['10:00', '11:20']], null, 300];
        yield 'with an event outside of the hours' => [$whole, '2026-11-24', [['18:00', '20:00']], null, 480];
        yield 'with an event that begins before them' => [$whole, '2026-11-24', [['08:00', '09:30']], null, 450];
        yield 'with one that ends behind them' => [$whole, '2026-11-24', [['16:00', '23:00']], null, 420];
        yield 'over one another' => [$whole, '2026-11-24', [['10:00', '12:00'], ['11:00', '11:30'], ['11:45', '13:00']], null, 300];
        yield 'more than there is' => [$whole, '2026-11-24', [['00:00', '23:59']], null, 0];
        yield 'what is over is gone' => [$whole, '2026-11-24', [['09:00', '10:00'], ['15:00', '16:00']], '12:00', 240];
        yield 'during an event' => [$whole, '2026-11-24', [['11:00', '13:00']], '12:00', 240];
        yield 'before the day begins' => [$whole, '2026-11-24', [], '06:00', 480];
        yield 'behind its end' => [$whole, '2026-11-24', [['18:00', '19:00']], '18:00', 0];
        yield 'hours of one\'s own' => [$own, '2026-11-24', [], null, 210];
        yield 'a day off' => [$own, '2026-11-25', [], null, 0];
        yield 'until midnight' => [$own, '2026-11-28', [], null, 240];
        yield 'no hours at all' => [new AgendaSettings([]), '2026-11-24', [], null, 0];
    }

    /** @param list<array{string, string}> $taken */
    #[DataProvider('days')]
    public function testWhatIsThereOnADay(AgendaSettings $settings, string $day, array $taken, ?string $now, int $there): void
    {
        $zone = new \DateTimeZone('Europe/Dublin');
        $date = LocalDate::parse($day);
        $second = static fn (string $time): int => $date->at(TimeOfDay::parse($time), $zone)->getTimestamp();
        self::assertSame($there, (new HoursThere($settings, new Week(), $zone))->on(
            $date,
            array_map(static fn (array $span): array => [$second($span[0]), $second($span[1])], $taken),
            null === $now ? null : Moment::at($date, TimeOfDay::parse($now), $zone),
        ));
        self::assertEquals($settings, AgendaSettings::fromState($settings->state()));
    }

    public function testANightInWhichTheClockChangesHasAnHourMoreOrLess(): void
    {
        $settings = new AgendaSettings([7 => ['from' => '00:00', 'to' => '06:00']], 0);
        $hours = new HoursThere($settings, new Week(), new \DateTimeZone('Europe/Dublin'));
        self::assertSame(
            [420, 300, 360],
            array_map(
                static fn (string $day): int => $hours->on(LocalDate::parse($day)),
                ['2026-10-25', '2027-03-28', '2026-11-01'],
            ),
        );
    }

    /** Held against looking at each minute. */
    public function testMinuteByMinute(): void
    {
        mt_srand(3);
        $date = LocalDate::parse('2026-11-24');
        $zone = new \DateTimeZone('Asia/Kolkata');
        $midnight = $date->at(TimeOfDay::parse('00:00'), $zone)->getTimestamp();
        $hours = new HoursThere(new AgendaSettings([2 => ['from' => '08:00', 'to' => '13:00']], 0), new Week(), $zone);
        for ($case = 0; $case < 300; ++$case) {
            $taken = [];
            for ($count = mt_rand(0, 5); $count > 0; --$count) {
                $from = mt_rand(400, 800);
                $taken[] = [$from, $from + mt_rand(0, 120)];
            }
            $now = mt_rand(300, 800);
            $free = 0;
            for ($minute = max(480, $now); $minute < 780; ++$minute) {
                $free += [] === array_filter($taken, static fn (array $one): bool => $one[0] <= $minute && $minute < $one[1]) ? 1 : 0;
            }
            $seconds = array_map(static fn (array $one): array => [$midnight + 60 * $one[0], $midnight + 60 * $one[1]], $taken);
            $moment = new Moment(new \DateTimeImmutable('@'.($midnight + 60 * $now)), $zone);
            self::assertSame($free, $hours->on($date, $seconds, $moment), 'Case '.$case);
        }
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Week;
use ZippyTray\Core\Tray\Sessions;

final class SessionsTest extends TestCase
{
    /** @return iterable<string, array{Sessions, string, string, string|null}> zone, now, the next hour; 27 November 2026 is a Friday */
    public static function hours(): iterable
    {
        $daily = new Sessions(true, ['16:30', '09:00', '13:00']);
        $working = new Sessions(true, ['09:00', '17:00'], true);
        yield 'before the first' => [$daily, 'UTC', '2026-11-27T06:00:00Z', '2026-11-27T09:00:00Z'];
        yield 'between two' => [$daily, 'UTC', '2026-11-27T09:00:01Z', '2026-11-27T13:00:00Z'];
        yield 'at one, for what comes then' => [$daily, 'UTC', '2026-11-27T13:00:00Z', '2026-11-27T16:30:00Z'];
        yield 'after the last' => [$daily, 'UTC', '2026-11-27T20:00:00Z', '2026-11-28T09:00:00Z'];
        yield 'over the weekend' => [$working, 'UTC', '2026-11-27T17:00:00Z', '2026-11-30T09:00:00Z'];
        yield 'on a Sunday' => [$working, 'UTC', '2026-11-29T12:00:00Z', '2026-11-30T09:00:00Z'];
        yield 'elsewhere' => [$daily, 'Pacific/Auckland', '2026-11-27T06:00:00Z', '2026-11-27T20:00:00Z'];
        yield 'one that the clock leaves out' => [
            new Sessions(true, ['02:30']),
            'Europe/Vienna',
            '2026-03-28T12:00:00Z',
            '2026-03-29T01:30:00Z',
        ];
        yield 'one that the clock shows twice' => [
            new Sessions(true, ['02:30']),
            'Europe/Vienna',
            '2026-10-25T00:45:00Z',
            '2026-10-26T01:30:00Z',
        ];
        yield 'none' => [new Sessions(), 'UTC', '2026-11-27T06:00:00Z', null];
    }

    #[DataProvider('hours')]
    public function testTheNextHour(Sessions $sessions, string $zone, string $now, ?string $next): void
    {
        $found = $sessions->next(new Moment(new \DateTimeImmutable($now), new \DateTimeZone($zone)), new Week());
        self::assertSame($next, $found?->instant->format('Y-m-d\TH:i:s\Z'));
        self::assertEquals($sessions, Sessions::fromState($sessions->state()));
    }

    /** Held against looking at each minute, from any to any. */
    public function testItIsTheFirstMinuteThatTheClockShowsOneOfThem(): void
    {
        mt_srand(11);
        for ($case = 0; $case < 120; ++$case) {
            $zone = new \DateTimeZone(['Europe/London', 'America/St_Johns', 'Asia/Kolkata', 'Australia/Lord_Howe'][$case % 4]);
            $hours = [];
            for ($number = mt_rand(1, 4); $number > 0; --$number) {
                $hours[] = \sprintf('%02d:%02d', mt_rand(4, 23), mt_rand(0, 59));
            }
            $days = array_values(array_filter(range(1, 7), static fn (): bool => 0 === mt_rand(0, 2)));
            $week = new Week(1, [] === $days ? [3] : $days);
            $sessions = new Sessions(true, $hours, 0 === $case % 3);
            $now = new \DateTimeImmutable('@'.(1_790_000_000 + mt_rand(0, 31_000_000)));
            $minute = $now->setTimezone($zone)->modify('-'.((int) $now->format('s')).' seconds');
            do {
                $minute = $minute->modify('+1 minute');
                $isDay = !$sessions->workingDaysOnly || \in_array((int) $minute->format('N'), $week->workingDays, true);
            } while (!$isDay || !\in_array($minute->format('H:i'), $hours, true));
            self::assertSame(
                $minute->getTimestamp(),
                $sessions->next(new Moment($now, $zone), $week)?->instant->getTimestamp(),
                $case.': '.implode(' ', $hours).' from '.$now->setTimezone($zone)->format(\DATE_ATOM),
            );
        }
    }

    public function testHoursThatAreNone(): void
    {
        $many = array_map(static fn (int $hour): string => \sprintf('%02d:15', $hour), range(0, 12));
        foreach ([[], ['25:00'], ['9'], ['09:00 '], $many] as $hours) {
            try {
                new Sessions(true, $hours);
                self::fail(implode(' ', $hours));
            } catch (Refused $refused) {
                self::assertSame('sessions', $refused->field);
            }
        }
        self::assertSame(['08:00', '09:00'], (new Sessions(true, ['09:00', '08:00', '09:00']))->hours);
    }
}

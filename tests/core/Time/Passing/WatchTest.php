<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Time\Passing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Passing\Come;
use ZippyTray\Core\Time\Passing\Every;
use ZippyTray\Core\Time\Passing\Once;
use ZippyTray\Core\Time\Passing\Schedule;
use ZippyTray\Core\Time\Passing\Watch;
use ZippyTray\Core\Time\Recurrence\Rule;
use ZippyTray\Core\Time\TimeOfDay;

/**
 * Each thing that is due is told once, never early, and in order, however the clock goes.
 */
final class WatchTest extends TestCase
{
    private const ZONES = [
        'Europe/Lisbon',
        'America/New_York',
        'Australia/Lord_Howe',
        'Asia/Kolkata',
        'Pacific/Apia',
        'America/Sao_Paulo',
        'UTC',
        'Africa/Casablanca',
    ];

    private const RULES = [
        'FREQ=DAILY',
        'FREQ=DAILY;INTERVAL=3',
        'FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR',
        'FREQ=WEEKLY;BYDAY=SU',
        'FREQ=MONTHLY;BYMONTHDAY=31',
        'FREQ=MONTHLY;BYDAY=-1FR',
        'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29',
        'FREQ=DAILY;COUNT=5',
    ];

    /**
     * @return iterable<string, array{
     *     string, string, string, string, string, list<string>
     * }> rule, clock, zone, since, until, what comes in UTC
     */
    public static function repeats(): iterable
    {
        yield 'the clock goes forward: a skipped time is moved by the gap' => [
            'FREQ=DAILY',
            '01:30',
            'Europe/Lisbon',
            '2027-03-27',
            '2027-03-29T12:00Z',
            ['27 01:30', '28 01:30', '29 00:30'],
        ];
        yield 'the clock goes back: the first of two' => [
            'FREQ=DAILY',
            '01:30',
            'Europe/Lisbon',
            '2026-10-24',
            '2026-10-26T12:00Z',
            ['24 00:30', '25 00:30', '26 01:30'],
        ];
        yield 'nine in the morning stays nine' => [
            'FREQ=WEEKLY;BYDAY=SU',
            '09:00',
            'America/New_York',
            '2026-10-25',
            '2026-11-09T00:00Z',
            ['25 13:00', '01 14:00', '08 14:00'],
        ];
        yield 'leap days only' => [
            'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29',
            '12:00',
            'UTC',
            '2024-02-29',
            '2033-01-01T00:00Z',
            ['29 12:00', '29 12:00', '29 12:00'],
        ];
        yield 'over the end of the year' => [
            'FREQ=DAILY',
            '23:59',
            'UTC',
            '2026-12-30',
            '2027-01-02T00:00Z',
            ['30 23:59', '31 23:59', '01 23:59'],
        ];
        // In Samoa the 30th of December 2011 was left out: its noon is the noon of the 31st.
        yield 'a day that a zone leaves out' => [
            'FREQ=DAILY',
            '12:00',
            'Pacific/Apia',
            '2011-12-29',
            '2011-12-31T23:00Z',
            ['29 22:00', '30 22:00', '31 22:00'],
        ];
        yield 'so many times' => ['FREQ=DAILY;COUNT=2', '08:00', 'UTC', '2026-11-24', '2027-01-01T00:00Z', ['24 08:00', '25 08:00']];
        yield 'until a day' => [
            'FREQ=DAILY;UNTIL=20261125T235959Z',
            '08:00',
            'UTC',
            '2026-11-24',
            '2027-01-01T00:00Z',
            ['24 08:00', '25 08:00'],
        ];
    }

    /** @param list<string> $expected */
    #[DataProvider('repeats')]
    public function testARepeatKeepsItsWallClock(
        string $rule,
        string $clock,
        string $zone,
        string $since,
        string $until,
        array $expected,
    ): void {
        $every = self::every($rule, $clock, $zone, $since);
        $found = [];
        for ($at = $every->after(
            new \DateTimeImmutable($since.'T00:00Z -2 days'),
        ); null !== $at && $at < new \DateTimeImmutable($until); $at = $every->after($at)) {
            $found[] = $at->format('d H:i');
        }
        self::assertSame($expected, $found);
    }

    public function testWhatCameWhileTheMachineSleptForAMonthIsToldAtOnceInOrder(): void
    {
        $watch = new Watch(self::at('2026-11-01T00:00Z'), self::at('2026-12-01T00:00Z'));
        $come = $watch->come([
            'late' => new Once(self::at('2026-11-30T08:00Z')),
            'daily' => self::every('FREQ=DAILY', '09:00', 'UTC', '2026-10-01'),
            'early' => new Once(self::at('2026-11-02T08:00Z')),
            'over' => new Once(self::at('2026-10-31T08:00Z')),
            'ahead' => new Once(self::at('2026-12-01T00:00:01Z')),
        ]);
        self::assertSame(
            ['early 02 08:00 1', 'late 30 08:00 1', 'daily 30 09:00 30'],
            array_map(static fn (Come $one): string => \sprintf('%s %s %d', $one->key, $one->at->format('d H:i'), $one->times), $come),
        );
    }

    public function testAClockThatWasSetBackTellsNothingTwiceAndLosesNothingNew(): void
    {
        $old = new Once(self::at('2026-11-24T12:00Z'));
        $daily = self::every('FREQ=DAILY', '09:00', 'UTC', '2026-11-01');
        $told = [];
        $look = static function (string $before, string $now, array $schedules) use (&$told): array {
            /** @var array<string, Schedule> $schedules */
            $come = (new Watch(self::at($before), self::at($now)))->come($schedules, $told);
            foreach ($come as $one) {
                $told[$one->key] = $one->at;
            }

            return array_map(static fn (Come $one): string => $one->key.' '.$one->at->format('d H:i'), $come);
        };
        self::assertSame(
            ['daily 24 09:00', 'old 24 12:00'],
            $look('2026-11-24T08:00Z', '2026-11-24T13:00Z', ['old' => $old, 'daily' => $daily]),
        );
        self::assertSame([], $look('2026-11-24T13:00Z', '2026-11-24T07:00Z', ['old' => $old, 'daily' => $daily]), 'Set back by six hours.');
        $new = new Once(self::at('2026-11-24T10:00Z'));
        self::assertSame(
            ['new 24 10:00'],
            $look('2026-11-24T07:00Z', '2026-11-24T13:30Z', ['old' => $old, 'daily' => $daily, 'new' => $new]),
        );
        self::assertSame(
            ['daily 25 09:00'],
            $look('2026-11-24T13:30Z', '2026-11-25T09:00Z', ['old' => $old, 'daily' => $daily, 'new' => $new]),
        );
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 40; ++$seed) {
            yield 'seed '.$seed => [$seed];
        }
    }

    /** Looks at irregular times, with a clock that is set back now and then and a machine that sleeps for weeks. */
    #[DataProvider('seeds')]
    public function testOverGeneratedSchedulesEachIsToldOnceNeverEarlyAndInOrder(int $seed): void
    {
        $chance = new Randomizer(new Mt19937($seed));
        $begin = self::at('2026-01-01T00:00Z')->modify('+'.$chance->getInt(0, 800).' days');
        $schedules = $this->schedules($chance, $begin);
        $told = $times = [];
        $before = $now = $furthest = $begin;
        for ($look = 0; $look < 60; ++$look) {
            $now = max($begin, $now->modify(match ($chance->getInt(0, 9)) {
                0 => '-'.$chance->getInt(1, 90).' minutes',
                1 => '-'.$chance->getInt(1, 5).' days',
                2 => '+'.$chance->getInt(20, 40).' days',
                3 => '+0 seconds',
                default => '+'.$chance->getInt(1, 100_000).' seconds',
            }));
            $watch = new Watch($before, $now);
            $next = (new Watch($before, $before))->next($schedules, $told);
            $come = $watch->come($schedules, $told);
            self::assertSame(null !== $next && $next <= $now, [] !== $come, 'It comes when it was announced.');
            $last = null;
            foreach ($come as $one) {
                self::assertTrue($one->at <= $now, 'Never early.');
                self::assertTrue(null === $last || $last <= $one->at, 'In order.');
                self::assertTrue(!isset($told[$one->key]) || $told[$one->key] < $one->at, 'Never twice.');
                $last = $told[$one->key] = $one->at;
                $times[$one->key] = ($times[$one->key] ?? 0) + $one->times;
            }
            [$before, $furthest] = [$now, max($furthest, $now)];
        }
        foreach ($schedules as $key => $schedule) {
            $expected = 0;
            for ($at = $schedule->after($begin); null !== $at && $at <= $furthest; $at = $schedule->after($at)) {
                ++$expected;
            }
            self::assertSame($expected, $times[$key] ?? 0, $key.': none is lost.');
        }
    }

    /** @return array<string, Schedule> */
    private function schedules(Randomizer $chance, \DateTimeImmutable $begin): array
    {
        $schedules = [];
        for ($number = 0; $number < 12; ++$number) {
            $schedules['once '.$number] = new Once($begin->modify($chance->getInt(-200, 4000).' hours'));
        }
        for ($number = 0; $number < 8; ++$number) {
            $zone = self::ZONES[$chance->getInt(0, \count(self::ZONES) - 1)];
            $rule = Rule::parse(self::RULES[$chance->getInt(0, \count(self::RULES) - 1)]);
            $since = $rule->first(LocalDate::of($begin->modify($chance->getInt(-60, 60).' days'), Moment::zone($zone)));
            self::assertNotNull($since);
            $schedules['every '.$number] = new Every(
                $rule,
                TimeOfDay::parse(\sprintf('%02d:%02d', $chance->getInt(0, 23), $chance->getInt(0, 59))),
                Moment::zone($zone),
                $since,
            );
        }

        return $schedules;
    }

    private static function every(string $rule, string $clock, string $zone, string $since): Every
    {
        return new Every(Rule::parse($rule, Moment::zone($zone)), TimeOfDay::parse($clock), Moment::zone($zone), LocalDate::parse($since));
    }

    private static function at(string $instant): \DateTimeImmutable
    {
        return new \DateTimeImmutable($instant);
    }
}

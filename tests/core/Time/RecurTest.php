<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Time;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sabre\VObject\Recur\RRuleIterator;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Recurrence\Recur;
use ZippyTray\Core\Time\Recurrence\Rule;
use ZippyTray\Core\Time\TimeOfDay;

final class RecurTest extends TestCase
{
    /** @return iterable<string, array{string, string, string}> rule, first day, the first days; most are of RFC 5545, 3.8.5.3 */
    public static function series(): iterable
    {
        yield 'every day in January' => ['FREQ=YEARLY;UNTIL=20000131T140000Z;BYMONTH=1;BYDAY=SU,MO,TU,WE,TH,FR,SA', '1998-01-01',
            '1998-01-01 1998-01-02 1998-01-03'];
        yield 'the same by days' => ['FREQ=DAILY;UNTIL=20000131T140000Z;BYMONTH=1', '1998-01-30', '1998-01-30 1998-01-31 1999-01-01'];
        yield 'weekly' => ['FREQ=WEEKLY;COUNT=3', '1997-09-02', '1997-09-02 1997-09-09 1997-09-16'];
        yield 'every other week on three days' => ['FREQ=WEEKLY;INTERVAL=2;WKST=SU;BYDAY=MO,WE,FR', '1997-09-01',
            '1997-09-01 1997-09-03 1997-09-05 1997-09-15 1997-09-17'];
        yield 'first Friday' => ['FREQ=MONTHLY;COUNT=10;BYDAY=1FR', '1997-09-05', '1997-09-05 1997-10-03 1997-11-07 1997-12-05'];
        yield 'first and last Sunday of every other month' => ['FREQ=MONTHLY;INTERVAL=2;COUNT=10;BYDAY=1SU,-1SU', '1997-09-07',
            '1997-09-07 1997-09-28 1997-11-02 1997-11-30 1998-01-04 1998-01-25'];
        yield 'second-to-last Monday' => ['FREQ=MONTHLY;COUNT=6;BYDAY=-2MO', '1997-09-22',
            '1997-09-22 1997-10-20 1997-11-17 1997-12-22 1998-01-19 1998-02-16'];
        yield 'third-to-last day' => ['FREQ=MONTHLY;BYMONTHDAY=-3', '1997-09-28', '1997-09-28 1997-10-29 1997-11-28 1997-12-29 1998-01-29'];
        yield 'first and last day' => [
            'FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1',
            '1997-09-30',
            '1997-09-30 1997-10-01 1997-10-31 1997-11-01',
        ];
        yield 'every 18 months' => ['FREQ=MONTHLY;INTERVAL=18;COUNT=10;BYMONTHDAY=10,11,12', '1997-09-10',
            '1997-09-10 1997-09-11 1997-09-12 1999-03-10 1999-03-11'];
        yield 'every Tuesday of every other month' => ['FREQ=MONTHLY;INTERVAL=2;BYDAY=TU', '1997-09-02',
            '1997-09-02 1997-09-09 1997-09-16 1997-09-23 1997-09-30 1997-11-04'];
        yield 'June and July' => ['FREQ=YEARLY;COUNT=10;BYMONTH=6,7', '1997-06-10', '1997-06-10 1997-07-10 1998-06-10 1998-07-10'];
        yield 'three months of every other year' => ['FREQ=YEARLY;INTERVAL=2;COUNT=10;BYMONTH=1,2,3', '1997-03-10',
            '1997-03-10 1999-01-10 1999-02-10 1999-03-10 2001-01-10'];
        yield 'three days of every third year' => ['FREQ=YEARLY;INTERVAL=3;COUNT=10;BYYEARDAY=1,100,200', '1997-01-01',
            '1997-01-01 1997-04-10 1997-07-19 2000-01-01 2000-04-09 2000-07-18 2003-01-01'];
        yield '20th Monday of the year' => ['FREQ=YEARLY;BYDAY=20MO', '1997-05-19', '1997-05-19 1998-05-18 1999-05-17'];
        yield 'Monday of week 20' => ['FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO', '1997-05-12', '1997-05-12 1998-05-11 1999-05-17'];
        yield 'Thursdays in March' => ['FREQ=YEARLY;BYMONTH=3;BYDAY=TH', '1997-03-13',
            '1997-03-13 1997-03-20 1997-03-27 1998-03-05'];
        yield 'Friday the 13th' => [
            'FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13',
            '1998-02-13',
            '1998-02-13 1998-03-13 1998-11-13 1999-08-13 2000-10-13',
        ];
        yield 'Saturday behind the first Sunday' => ['FREQ=MONTHLY;BYDAY=SA;BYMONTHDAY=7,8,9,10,11,12,13', '1997-09-13',
            '1997-09-13 1997-10-11 1997-11-08 1997-12-13'];
        yield 'a polling day' => ['FREQ=YEARLY;INTERVAL=4;BYMONTH=11;BYDAY=TU;BYMONTHDAY=2,3,4,5,6,7,8', '1996-11-05',
            '1996-11-05 2000-11-07 2004-11-02'];
        yield 'third of three days' => ['FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3', '1997-09-04', '1997-09-04 1997-10-07 1997-11-06'];
        yield 'second-to-last weekday' => ['FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-2', '1997-09-29',
            '1997-09-29 1997-10-30 1997-11-27 1997-12-30'];
        yield 'a day that is left out where there is none' => ['FREQ=MONTHLY;BYMONTHDAY=15,30;COUNT=5', '2007-01-15',
            '2007-01-15 2007-01-30 2007-02-15 2007-03-15 2007-03-30'];
        yield 'the last week of the year' => ['FREQ=YEARLY;BYWEEKNO=-1', '2026-12-31', '2026-12-31 2027-12-30 2028-12-28'];
        yield 'the last day of the year' => ['FREQ=YEARLY;BYYEARDAY=-1', '2027-12-31', '2027-12-31 2028-12-31 2029-12-31'];
        yield 'the first that does not fit is one of it all the same' => ['FREQ=WEEKLY;BYDAY=FR;COUNT=3', '2026-11-24',
            '2026-11-24 2026-11-27 2026-12-04'];
        yield 'in small letters' => ['freq=weekly;byday=tu;', '2026-11-24', '2026-11-24 2026-12-01'];
    }

    #[DataProvider('series')]
    public function testTheDaysOfASeries(string $rule, string $start, string $days): void
    {
        $recur = Recur::parse($rule, new \DateTimeZone('America/New_York'));
        self::assertSame($days, implode(' ', self::some($recur->dates(LocalDate::parse($start)), substr_count($days, ' ') + 1)));
    }

    /** Jumping ahead gives the same as counting through. */
    #[DataProvider('series')]
    public function testStartingLaterSkipsNothing(string $rule, string $start): void
    {
        $recur = Recur::parse((string) preg_replace('/;COUNT=\\d+/', '', $rule), new \DateTimeZone('UTC'));
        $first = LocalDate::parse($start);
        $all = self::some($recur->dates($first), 100);
        foreach ([1, 6, 8, 31, 365, 1000, 3000] as $days) {
            $from = $first->plusDays($days);
            $expected = array_values(array_filter($all, static fn (string $date): bool => $date >= (string) $from));
            self::assertSame(\array_slice($expected, 0, 3), self::some($recur->dates($first, $from), min(3, \count($expected))));
        }
    }

    /** Ending earlier gives the same as leaving out what comes after; where nothing comes, it is not looked for. */
    #[DataProvider('series')]
    public function testEndingEarlierLeavesNothingOut(string $rule, string $start): void
    {
        $recur = Recur::parse($rule, new \DateTimeZone('UTC'));
        $first = LocalDate::parse($start);
        $all = self::some($recur->dates($first), 60);
        foreach ([-1, 0, 1, 6, 31, 365, 400, 1000] as $days) {
            $until = (string) $first->plusDays($days);
            self::assertSame(
                array_values(array_filter($all, static fn (string $date): bool => $date <= $until)),
                array_values(array_filter(
                    self::some($recur->dates($first, null, $first->plusDays($days)), 60),
                    static fn (string $date): bool => $date <= end($all),
                )),
            );
        }
    }

    /** What can be said in words is the same rule. */
    public function testWhatWhenPhrasesSayIsTheSame(): void
    {
        mt_srand(4);
        $one = static fn (string ...$all): string => $all[mt_rand(0, \count($all) - 1)];
        for ($case = 0; $case < 300; ++$case) {
            $interval = mt_rand(1, 4);
            $rule = "INTERVAL={$interval};".$one(
                'FREQ=DAILY',
                'FREQ=WEEKLY;BYDAY='.$one('MO', 'TU,TH', 'SA,SU', 'MO,TU,WE,TH,FR').$one('', ';WKST=SU'),
                'FREQ=MONTHLY;'.$one(
                    'BYMONTHDAY=1,15',
                    'BYMONTHDAY=31',
                    'BYMONTHDAY=-1',
                    'BYDAY=2WE',
                    'BYDAY=-1FR',
                    'BYDAY=MO,TU;BYSETPOS=-1',
                ),
                'FREQ=YEARLY;BYMONTH='.mt_rand(1, 12).';'.$one('BYMONTHDAY=29', 'BYDAY=-1SU'),
            );
            $said = Rule::parse($rule);
            $from = LocalDate::parse('2026-01-01')->plusDays(mt_rand(0, 1000));
            $start = $said->first($from) ?? $from;
            self::assertSame(
                self::some($said->dates($start), 20),
                self::some(Recur::parse($rule, new \DateTimeZone('UTC'))->dates($start), 20),
                "{$rule} from {$start}",
            );
        }
    }

    /** Held against another reading of the standard, where that one is known to come to an end and to look at every part. */
    public function testAnotherReadingSaysTheSame(): void
    {
        mt_srand(5);
        $one = static fn (string ...$all): string => $all[mt_rand(0, \count($all) - 1)];
        for ($case = 0; $case < 300; ++$case) {
            $rule = $one(
                'FREQ=DAILY;BYDAY='.$one('MO,WE', 'SU', 'TU,TH,SA'),
                'FREQ=WEEKLY;INTERVAL='.mt_rand(1, 3).';BYDAY='.$one('MO', 'TU,TH', 'SA,SU').$one('', ';WKST=SU'),
                'FREQ=MONTHLY;INTERVAL='.mt_rand(1, 3).';'.$one(
                    'BYMONTHDAY=-3,5',
                    'BYDAY=-2MO,1TU',
                    'BYDAY=FR;BYMONTHDAY=11,12,13,14,15,16,17',
                ),
                'FREQ=YEARLY;BYMONTH='.$one('2,5', '11').';'.$one('BYDAY=1MO', 'BYMONTHDAY=3,-2'),
            );
            $from = LocalDate::parse('2026-01-01')->plusDays(mt_rand(0, 1000));
            $start = self::some(Recur::parse($rule, new \DateTimeZone('UTC'))->dates($from, $from->plusDays(1)), 1)[0] ?? '';
            $theirs = [];
            $iterator = new RRuleIterator($rule, new \DateTimeImmutable($start, new \DateTimeZone('UTC')));
            for (; \count($theirs) < 12 && $iterator->valid(); $iterator->next()) {
                $current = $iterator->current();
                $theirs[] = $current instanceof \DateTimeInterface ? $current->format('Y-m-d') : '';
            }
            $ours = Recur::parse($rule, new \DateTimeZone('UTC'))->dates(LocalDate::parse($start));
            self::assertSame($theirs, self::some($ours, 12), "{$rule} from {$start}");
        }
    }

    /** @return iterable<string, array{string}> */
    public static function endless(): iterable
    {
        yield 'no such day' => ['FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30'];
        yield 'no such day of the week' => ['FREQ=DAILY;INTERVAL=7;BYDAY=FR'];
        yield 'no such place' => ['FREQ=MONTHLY;BYMONTHDAY=3;BYSETPOS=2'];
        yield 'no such week' => ['FREQ=YEARLY;BYWEEKNO=20;BYMONTH=1'];
        yield 'days far apart' => ['FREQ=DAILY;INTERVAL=10000;BYMONTH=2;BYMONTHDAY=30'];
    }

    #[DataProvider('endless')]
    public function testWhatNeverComesAgainIsNotLookedForForEver(string $rule): void
    {
        self::assertSame(
            ['2026-11-24'],
            self::some(Recur::parse($rule, new \DateTimeZone('UTC'))->dates(LocalDate::parse('2026-11-24')), 5),
        );
    }

    /** @return iterable<string, array{string}> */
    public static function nonsense(): iterable
    {
        foreach ([
            '', 'x', 'FREQ=', 'FREQ=HOURLY', 'FREQ=SECONDLY;COUNT=3', 'FREQ=DAILY;INTERVAL=0', 'FREQ=DAILY;INTERVAL=-1',
            'FREQ=DAILY;COUNT=x', 'FREQ=DAILY;COUNT=99999', 'FREQ=DAILY;COUNT=1,2', 'FREQ=DAILY;BYHOUR=9,11', 'FREQ=DAILY;BYHOUR=10',
            'FREQ=DAILY;BYSECOND=5',
            'FREQ=WEEKLY;BYDAY=XX', 'FREQ=MONTHLY;BYDAY=0MO', 'FREQ=MONTHLY;BYDAY=54MO', 'FREQ=MONTHLY;BYMONTHDAY=32',
            'FREQ=YEARLY;BYMONTH=-1', 'FREQ=YEARLY;BYWEEKNO=54', 'FREQ=DAILY;UNTIL=tomorrow', 'FREQ=DAILY;UNTIL=20261399',
            'FREQ=DAILY;RSCALE=HEBREW',
            'FREQ=DAILY;WKST=X',
            'FREQ=YEARLY;BYYEARDAY='.implode(',', range(1, 366)).str_repeat(',1', 600),
        ] as $rule) {
            yield $rule => [$rule];
        }
    }

    #[DataProvider('nonsense')]
    public function testWhatIsNoRule(string $rule): void
    {
        $this->expectException(Refused::class);
        Recur::parse($rule, new \DateTimeZone('UTC'), TimeOfDay::parse('09:00'));
    }

    public function testTheTimeOfItsOwnMayBeSaid(): void
    {
        $recur = Recur::parse('FREQ=DAILY;BYHOUR=9;BYMINUTE=30;BYSECOND=0', new \DateTimeZone('UTC'), TimeOfDay::parse('09:30'));
        self::assertSame(['2026-11-24', '2026-11-25'], self::some($recur->dates(LocalDate::parse('2026-11-24')), 2));
    }

    public function testAnEndIsADayWhereTheSeriesIsMeant(): void
    {
        $zone = new \DateTimeZone('Pacific/Auckland');
        $recur = Recur::parse('FREQ=DAILY;UNTIL=20261125T200000Z', $zone);
        self::assertSame(['2026-11-26', '2026-11-25 20:00'], [(string) $recur->until, $recur->end?->format('Y-m-d H:i')]);
        self::assertNull(Recur::parse('FREQ=DAILY;UNTIL=20261125', $zone)->end);
        self::assertSame(
            '2026-11-25 11:00',
            Recur::parse('FREQ=DAILY;UNTIL=20261126T000000', $zone)->end?->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i'),
        );
    }

    /**
     * @param iterable<LocalDate> $dates
     *
     * @return list<string>
     */
    private static function some(iterable $dates, int $count): array
    {
        $found = [];
        foreach ($dates as $date) {
            if (\count($found) >= $count) {
                break;
            }
            $found[] = (string) $date;
        }

        return $found;
    }
}

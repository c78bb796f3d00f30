<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Time;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Recurrence\Rule;
use ZippyTray\Core\Time\Recurrence\RuleText;

final class RuleTest extends TestCase
{
    /** @return iterable<string, array{string, string, string}> rule, start, days */
    public static function series(): iterable
    {
        // Examples of RFC 5545, 3.8.5.3, moved to other years.
        yield 'daily for 10 times' => ['FREQ=DAILY;COUNT=4', '2027-09-02', '2027-09-02 2027-09-03 2027-09-04 2027-09-05'];
        yield 'every ten days' => ['FREQ=DAILY;INTERVAL=10;COUNT=3', '2027-12-25', '2027-12-25 2028-01-04 2028-01-14'];
        yield 'until a day, that day included' => ['FREQ=DAILY;UNTIL=20270904', '2027-09-02', '2027-09-02 2027-09-03 2027-09-04'];
        yield 'weekdays' => ['FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR;COUNT=4', '2026-11-26', '2026-11-26 2026-11-27 2026-11-30 2026-12-01'];
        yield 'every other week, week from Monday' => [
            'FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU',
            '1997-08-05',
            '1997-08-05 1997-08-10 1997-08-19 1997-08-24',
        ];
        yield 'every other week, week from Sunday' => [
            'FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU',
            '1997-08-05',
            '1997-08-05 1997-08-17 1997-08-19 1997-08-31',
        ];
        yield 'the 31st' => ['FREQ=MONTHLY;BYMONTHDAY=31;COUNT=4', '2027-01-31', '2027-01-31 2027-03-31 2027-05-31 2027-07-31'];
        yield 'the last day' => ['FREQ=MONTHLY;BYMONTHDAY=-1;COUNT=3', '2028-01-31', '2028-01-31 2028-02-29 2028-03-31'];
        yield 'a fifth Friday' => ['FREQ=MONTHLY;BYDAY=5FR;COUNT=3', '2027-01-29', '2027-01-29 2027-04-30 2027-07-30'];
        yield 'the last working day' => [
            'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1;COUNT=3',
            '2027-01-29',
            '2027-01-29 2027-02-26 2027-03-31',
        ];
        yield 'twice a month' => ['FREQ=MONTHLY;BYMONTHDAY=1,15;COUNT=3', '2027-01-15', '2027-01-15 2027-02-01 2027-02-15'];
        yield 'leap days' => ['FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29;COUNT=3', '2096-02-29', '2096-02-29 2104-02-29 2108-02-29'];
        yield 'the last Sunday of March' => ['FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU;COUNT=2', '2027-03-28', '2027-03-28 2028-03-26'];
        yield 'every third year' => [
            'FREQ=YEARLY;INTERVAL=3;BYMONTH=1;BYMONTHDAY=10;COUNT=3',
            '2027-01-10',
            '2027-01-10 2030-01-10 2033-01-10',
        ];
        yield 'a month that never has the day again' => [
            'FREQ=MONTHLY;INTERVAL=12;BYMONTHDAY=30',
            '9990-06-30',
            '9990-06-30 9991-06-30 9992-06-30 9993-06-30 9994-06-30',
        ];
    }

    #[DataProvider('series')]
    public function testTheDaysOfASeries(string $rrule, string $start, string $days): void
    {
        $found = [];
        foreach (Rule::parse($rrule)->dates(LocalDate::parse($start)) as $date) {
            $found[] = (string) $date;
            if (\count($found) >= 5) {
                break;
            }
        }
        self::assertSame($days, implode(' ', $found));
    }

    /**
     * Jumping ahead gives the same as counting through.
     */
    #[DataProvider('series')]
    public function testStartingLaterSkipsNothing(string $rrule, string $start): void
    {
        foreach ([$rrule, (string) preg_replace('/;COUNT=\d+/', '', $rrule)] as $text) {
            $rule = Rule::parse($text);
            $all = $this->some($rule->dates(LocalDate::parse($start)), 200);
            foreach ([1, 6, 7, 8, 30, 31, 364, 365, 366, 1000, 1461] as $days) {
                $from = LocalDate::parse($start)->plusDays($days);
                $later = array_values(array_filter($all, static fn (string $date): bool => $date >= (string) $from));
                self::assertSame(
                    \array_slice($later, 0, 5),
                    \array_slice($this->some($rule->dates(LocalDate::parse($start), $from), 5), 0, \count(\array_slice($later, 0, 5))),
                    "{$text} from {$from}",
                );
            }
        }
    }

    /** @return iterable<array{string}> */
    public static function rules(): iterable
    {
        foreach ([
            'DAILY',
            'DAILY;INTERVAL=5',
            'WEEKLY;BYDAY=MO',
            'WEEKLY;BYDAY=TU,SA,SU',
            'WEEKLY;INTERVAL=3;BYDAY=WE,FR',
            'MONTHLY;BYMONTHDAY=30',
            'MONTHLY;BYMONTHDAY=-1',
            'MONTHLY;INTERVAL=2;BYMONTHDAY=1,15',
            'MONTHLY;BYDAY=1MO,3MO',
            'MONTHLY;BYDAY=-1FR',
            'MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=1',
            'YEARLY;BYMONTH=5;BYMONTHDAY=3',
            'YEARLY;BYMONTH=2;BYMONTHDAY=-1',
            'YEARLY;INTERVAL=2;BYMONTH=11;BYDAY=2TH',
        ] as $rule) {
            yield ['FREQ='.$rule];
        }
    }

    /** Held against asking of each day, one by one, whether the rule means it. */
    #[DataProvider('rules')]
    public function testEveryDayThatFitsIsThereAndNoOther(string $rrule): void
    {
        $rule = Rule::parse($rrule);
        $start = $rule->first(LocalDate::parse('2026-11-24'));
        self::assertNotNull($start);
        $end = $start->plusDays(3000);
        $found = [];
        foreach ($rule->dates($start) as $date) {
            if ($end->isBefore($date)) {
                break;
            }
            $found[] = (string) $date;
        }
        $expected = [];
        for ($day = $start; !$end->isBefore($day); $day = $day->plusDays(1)) {
            if ($this->fits($rrule, $start, $day)) {
                $expected[] = (string) $day;
            }
        }
        self::assertSame($expected, $found);
        self::assertSame($rrule, $rule->rrule());
    }

    public function testUntilIsTheEndOfTheDayWhereThePersonIs(): void
    {
        foreach ([
            'Europe/Lisbon' => '20261231T235959Z',
            'America/New_York' => '20270101T045959Z',
            'Asia/Kathmandu' => '20261231T181459Z',
        ] as $zone => $until) {
            $rule = Rule::parse('FREQ=DAILY;UNTIL='.$until, Moment::zone($zone));
            self::assertSame('2026-12-31', (string) $rule->until);
            self::assertSame('FREQ=DAILY;UNTIL='.$until, $rule->rrule(Moment::zone($zone)));
            self::assertSame('FREQ=DAILY;UNTIL=20261231', $rule->rrule());
        }
    }

    /** @return iterable<array{string}> */
    public static function noRules(): iterable
    {
        foreach ([
            '',
            'FREQ=HOURLY',
            'FREQ=DAILY;INTERVAL=0',
            'FREQ=DAILY;INTERVAL=x',
            'FREQ=WEEKLY',
            'FREQ=WEEKLY;BYDAY=XX',
            'FREQ=WEEKLY;BYDAY=2MO',
            'FREQ=MONTHLY',
            'FREQ=MONTHLY;BYMONTHDAY=0',
            'FREQ=MONTHLY;BYMONTHDAY=32',
            'FREQ=YEARLY;BYMONTHDAY=3',
            'FREQ=YEARLY;BYMONTH=13;BYMONTHDAY=3',
            'FREQ=DAILY;COUNT=0',
            'FREQ=DAILY;UNTIL=yesterday',
            'FREQ=DAILY;UNTIL=20260231',
            'FREQ=DAILY;BYHOUR=3',
            'FREQ=WEEKLY;BYDAY=MO;WKST=XX',
            "FREQ=DAILY\n",
        ] as $rule) {
            yield [$rule];
        }
    }

    #[DataProvider('noRules')]
    public function testWhatIsNoRuleIsRefused(string $rrule): void
    {
        $this->expectException(Refused::class);
        Rule::parse($rrule);
    }

    public function testRulesInWords(): void
    {
        $words = array_map(static fn (array $rule): string => RuleText::of(Rule::parse($rule[0])), [...self::rules()]);
        self::assertSame([
            'every day', 'every 5 days', 'every Monday', 'every Tuesday, Saturday and Sunday',
            'every 3 weeks on Wednesday and Friday', 'every month on the 30th, only months that have it',
            'every month on the last day',
            'every 2 months on the 1st and the 15th', 'every month on the first Monday and the third Monday',
            'every month on the last Friday', 'every month on the first working day', 'every year on 3 May',
            'every year on the last day of February', 'every 2 years on the second Thursday of November',
        ], $words);
        self::assertSame('every month on the 30th', RuleText::of(Rule::parse('FREQ=MONTHLY;BYMONTHDAY=28,29,30;BYSETPOS=-1')));
    }

    private function fits(string $rrule, LocalDate $start, LocalDate $day): bool
    {
        preg_match('/FREQ=(\w+)(?:;INTERVAL=(\d+))?(.*)/', $rrule, $m);
        [$frequency, $interval, $rest] = [$m[1] ?? '', (int) ($m[2] ?? 1) ?: 1, $m[3] ?? ''];
        $monday = static fn (LocalDate $date): LocalDate => $date->plusDays(1 - $date->weekday());
        $months = ($day->year() - $start->year()) * 12 + $day->month() - $start->month();
        $isOn = match ($frequency) {
            'DAILY' => 0 === $start->daysUntil($day) % $interval,
            'WEEKLY' => 0 === intdiv($monday($start)->daysUntil($monday($day)), 7) % $interval,
            'MONTHLY' => 0 === $months % $interval,
            default => 0 === ($day->year() - $start->year()) % $interval,
        };
        if (!$isOn || (1 === preg_match('/BYMONTH=(\d+)/', $rest, $m) && (int) $m[1] !== $day->month())) {
            return false;
        }
        if (1 === preg_match('/BYMONTHDAY=([\d,-]+)/', $rest, $m)) {
            return \in_array((string) $day->day(), explode(',', $m[1]), true) || ('-1' === $m[1] && 1 === $day->plusDays(1)->day());
        }
        if (1 === preg_match('/BYDAY=([\w,-]+)/', $rest, $m)) {
            $code = strtoupper(substr($day->format('D'), 0, 2));
            $fromEnd = 1 + intdiv($day->daysUntil($day->endOfMonth()), 7);
            $isNamed = [] !== array_intersect([$code, 1 + intdiv($day->day() - 1, 7).$code, '-'.$fromEnd.$code], explode(',', $m[1]));

            // The first working day: a Monday may be it up to the third.
            return $isNamed && (!str_contains($rest, 'BYSETPOS') || 1 === $day->day() || (1 === $day->weekday() && $day->day() <= 3));
        }

        return true;
    }

    /**
     * @param iterable<LocalDate> $dates
     *
     * @return list<string>
     */
    private function some(iterable $dates, int $most): array
    {
        $some = [];
        foreach ($dates as $date) {
            $some[] = (string) $date;
            if (\count($some) >= $most) {
                break;
            }
        }

        return $some;
    }
}

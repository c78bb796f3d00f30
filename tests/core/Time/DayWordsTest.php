<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Time;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Words\DayReader;
use ZippyTray\Core\Time\Words\TimeReader;
use ZippyTray\Core\Time\Words\Tokens;

/**
 * Days and times in words, said on Tuesday 24 November 2026.
 */
final class DayWordsTest extends TestCase
{
    /** @return iterable<string, array{string}> words => the day */
    public static function days(): iterable
    {
        $days = [
            'today' => '2026-11-24', 'tomorrow' => '2026-11-25', 'day after tomorrow' => '2026-11-26', 'yesterday' => '2026-11-23',
            'Friday' => '2026-11-27', 'fri' => '2026-11-27', 'tuesday' => '2026-12-01', 'this Friday' => '2026-11-27', 'next friday' => '2026-12-04',
            'Friday next week' => '2026-12-04', 'next week on Friday' => '2026-12-04', 'Friday week' => '2026-12-04', 'friday in two weeks' => '2026-12-11',
            'a week from Friday' => '2026-12-04', 'last Monday' => '2026-11-23', 'in 3 days' => '2026-11-27', 'in two weeks' => '2026-12-08',
            'in a fortnight' => '2026-12-08', 'within ten days' => '2026-12-04', 'within 5 working days' => '2026-12-01', 'in 3 working days' => '2026-11-27',
            'in 2 months' => '2027-01-24', 'in a year' => '2027-11-24', 'three weeks ago' => '2026-11-03', 'within 48 hours' => '2026-11-26',
            '27 nov' => '2026-11-27', 'nov 27' => '2026-11-27', '27th of november' => '2026-11-27', 'November 27th, 2027' => '2027-11-27',
            '27/11/2026' => '2026-11-27', '27.11.2026' => '2026-11-27', '27.11.26' => '2026-11-27', '2026-11-27' => '2026-11-27', '2026/11/27' => '2026-11-27',
            'Friday 4 December' => '2026-12-04', 'Friday, 4th of December' => '2026-12-04', 'Fri 27/11' => '2026-11-27', '4-6 December' => '2026-12-04',
            '4 and 5 December' => '2026-12-04', 'Monday 7 to Wednesday 9 December' => '2026-12-07', 'Dec. 4' => '2026-12-04', '1 March' => '2027-03-01',
            '29 February' => '2028-02-29', 'the 15th' => '2026-12-15', 'the 24th' => '2026-11-24', 'the 31st' => '2026-12-31', 'the 15th of next month' => '2026-12-15', 'the 28th of next month' => '2026-12-28', 'Friday the 13th' => null,
            'first Monday of January' => '2027-01-04', 'the last Friday of the month' => '2026-11-27', 'end of the month' => '2026-11-30',
            'end of next week' => '2026-12-04', 'end of the week' => '2026-11-27', 'the end of January' => '2027-01-31', 'end of the year' => '2026-12-31',
            'next week' => '2026-11-30', 'next month' => '2026-12-01', 'this weekend' => '2026-11-28', 'Christmas Eve' => '2026-12-24', "New Year's Eve" => '2026-12-31',
            'Boxing Day' => '2026-12-26', '31 December' => '2026-12-31', '24 November' => '2026-11-24', '23 November' => '2027-11-23',
            // Not a day.
            'may I' => null, 'march on' => null, 'second hand' => null, 'sat down' => null, '31 feb' => null, '45/13' => null, 'week' => null, '3 days' => null,
            'in half an hour' => null, '2027' => null, 'the 2nd floor' => null,
        ];
        foreach ($days as $words => $day) {
            yield '"'.$words.'"' => [(string) $words, $day];
        }
    }

    #[DataProvider('days')]
    public function testDays(string $words, ?string $expected): void
    {
        $found = (new DayReader())->at(Tokens::of($words), 0);
        $date = $found?->day->ahead(LocalDate::parse('2026-11-24'));
        if ('Friday the 13th' === $words) {
            self::assertSame('2027-08-13', (string) $date);

            return;
        }
        self::assertSame($expected, null === $date ? null : (string) $date);
    }

    public function testEveryWeekdayOnEveryWeekdayIsWithinTheNextSevenDaysAndNeverToday(): void
    {
        foreach (range(0, 6) as $on) {
            $today = LocalDate::parse('2026-11-23')->plusDays($on);
            foreach (['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as $number => $name) {
                $day = (new DayReader())->at(Tokens::of($name), 0)?->day;
                $ahead = $day?->ahead($today);
                $behind = $day?->behind($today);
                self::assertNotNull($ahead);
                self::assertNotNull($behind);
                self::assertSame([$number + 1, $number + 1], [$ahead->weekday(), $behind->weekday()]);
                self::assertContains($today->daysUntil($ahead), range(1, 7));
                self::assertContains($today->daysUntil($behind), range(-7, -1));
                $next = (new DayReader())->at(Tokens::of('next '.$name), 0)?->day->ahead($today);
                self::assertNotNull($next);
                self::assertSame(7, LocalDate::parse('2026-11-30')->daysUntil($next) - $number + 7);
            }
        }
    }

    public function testMonthFirst(): void
    {
        $read = static fn (string $words): string => (string) (new DayReader(false))->at(Tokens::of($words), 0)?->day->ahead(LocalDate::parse('2026-11-24'));
        self::assertSame('2026-12-04', $read('12/04/2026'));
        self::assertSame('2026-12-13', $read('13/12/2026'), 'There is no thirteenth month.');
        self::assertSame('2026-12-04', $read('4.12.2026'), 'With full stops the day stands first.');
    }

    /** @return iterable<string, array{string, string|null}> */
    public static function times(): iterable
    {
        $times = [
            '15:00' => '15:00', '3pm' => '15:00', '3 p.m.' => '15:00', '3:30 pm' => '15:30', '3.30pm' => '15:30', '15h' => '15:00', '12am' => '00:00', '12pm' => '12:00',
            'noon' => '12:00', 'half past two' => '14:30', 'quarter to nine' => '08:45', 'quarter past 3' => '15:15', "ten o'clock" => '10:00', '2-4pm' => '14:00',
            '2 to 4 pm' => '14:00', '9-11am' => '09:00', '11-1pm' => '11:00', 'EOD' => '17:00', 'close of business' => '17:00', 'tonight' => '20:00', '1400 hrs' => '14:00',
            '25:00' => null, '3 places' => null, 'nothing' => null,
        ];
        foreach ($times as $words => $time) {
            yield $words => [(string) $words, $time];
        }
    }

    #[DataProvider('times')]
    public function testTimes(string $words, ?string $expected): void
    {
        $found = (new TimeReader())->at(Tokens::of($words), 0);
        self::assertSame($expected, null === $found ? null : (string) $found->time);
    }

    public function testAnHourAloneNeedsAWordBeforeIt(): void
    {
        self::assertNull((new TimeReader())->at(Tokens::of('3'), 0));
        self::assertSame('15:00', (string) (new TimeReader())->at(Tokens::of('3'), 0, true)?->time);
        self::assertSame('09:00', (string) (new TimeReader())->at(Tokens::of('9'), 0, true)?->time);
        self::assertNull((new TimeReader())->at(Tokens::of('3 ladders'), 0, true));
    }

    public function testTokensTellWhereTheyStandInCharacters(): void
    {
        foreach (Tokens::of('Grüße – am 4. Dezember, 15:30 Uhr … “ok”')->all as $token) {
            self::assertSame($token->text, mb_substr('Grüße – am 4. Dezember, 15:30 Uhr … “ok”', $token->from, $token->to - $token->from));
        }
    }

    public function testMonthsThatAreTooShortEndOnTheirLastDay(): void
    {
        self::assertSame('2027-02-28', (string) LocalDate::parse('2026-12-31')->plusMonths(2));
        self::assertSame('2028-02-29', (string) LocalDate::parse('2027-12-31')->plusMonths(2));
        self::assertSame('2026-11-30', (string) LocalDate::parse('2026-12-31')->plusMonths(-1));
    }
}

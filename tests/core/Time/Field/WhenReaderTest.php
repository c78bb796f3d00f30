<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Time\Field;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Time\Field\WhenReader;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Time\Week;

final class WhenReaderTest extends TestCase
{
    /** @return iterable<string, array{string, string, string, string}> */
    public static function readings(): iterable
    {
        yield from Phrases::table('2026-11-24T10:00', 'Europe/Lisbon', <<<'TABLE'
            today = Tue 24 Nov 2026
            tomorrow = Wed 25 Nov 2026
            day after tomorrow = Thu 26 Nov 2026
            friday = Fri 27 Nov 2026
            fri = Fri 27 Nov 2026
            on friday = Fri 27 Nov 2026
            this friday = Fri 27 Nov 2026
            tuesday = Tue 1 Dec 2026
            next friday = Fri 4 Dec 2026 ~ Fri 27 Nov 2026
            this week = Fri 27 Nov 2026
            end of week = Fri 27 Nov 2026
            eow = Fri 27 Nov 2026
            weekend = Sat 28 Nov 2026
            this weekend = Sat 28 Nov 2026
            next week = Mon 30 Nov 2026
            next month = Tue 1 Dec 2026
            next year = Fri 1 Jan 2027
            end of month = Mon 30 Nov 2026
            eom = Mon 30 Nov 2026
            end of year = Thu 31 Dec 2026
            in 3 days = Fri 27 Nov 2026
            3 days = Fri 27 Nov 2026
            3d = Fri 27 Nov 2026
            in two weeks = Tue 8 Dec 2026
            2w = Tue 8 Dec 2026
            in a fortnight = Tue 8 Dec 2026
            in 2 months = Sun 24 Jan 2027
            in a year = Wed 24 Nov 2027
            in 3 working days = Fri 27 Nov 2026
            a week from friday = Fri 4 Dec 2026
            friday in two weeks = Fri 11 Dec 2026
            27 nov = Fri 27 Nov 2026
            nov 27 = Fri 27 Nov 2026
            27th of november = Fri 27 Nov 2026
            november 27th 2027 = Sat 27 Nov 2027
            27/11 = Fri 27 Nov 2026
            27.11. = Fri 27 Nov 2026
            27/11/2026 = Fri 27 Nov 2026
            2026-11-27 = Fri 27 Nov 2026
            the 27th = Fri 27 Nov 2026
            first monday of january = Mon 4 Jan 2027
            last friday of the month = Fri 27 Nov 2026
            in 2 hours = Tue 24 Nov 2026, 12:00
            2h = Tue 24 Nov 2026, 12:00
            90 min = Tue 24 Nov 2026, 11:30
            in half an hour = Tue 24 Nov 2026, 10:30
            in an hour and a half = Tue 24 Nov 2026, 11:30
            2h30 = Tue 24 Nov 2026, 12:30
            15:00 = Tue 24 Nov 2026, 15:00
            3pm = Tue 24 Nov 2026, 15:00
            3:30 pm = Tue 24 Nov 2026, 15:30
            3.30pm = Tue 24 Nov 2026, 15:30
            15h = Tue 24 Nov 2026, 15:00
            noon = Tue 24 Nov 2026, 12:00
            midnight = Wed 25 Nov 2026, 00:00
            at 9 = Wed 25 Nov 2026, 09:00
            at 3 = Tue 24 Nov 2026, 15:00
            end of day = Tue 24 Nov 2026, 17:00
            eod = Tue 24 Nov 2026, 17:00
            this afternoon = Tue 24 Nov 2026, 14:00
            this evening = Tue 24 Nov 2026, 18:00
            tonight = Tue 24 Nov 2026, 20:00
            this morning = Tue 24 Nov 2026, 09:00 (past)
            tomorrow morning = Wed 25 Nov 2026, 09:00
            friday 3pm = Fri 27 Nov 2026, 15:00
            3pm friday = Fri 27 Nov 2026, 15:00
            27 nov at 9 = Fri 27 Nov 2026, 09:00
            next week at 10am = Mon 30 Nov 2026, 10:00
            in 3 days at noon = Fri 27 Nov 2026, 12:00
            every day = every day, from Tue 24 Nov 2026 ; FREQ=DAILY
            daily = every day, from Tue 24 Nov 2026 ; FREQ=DAILY
            every weekday = every weekday, from Tue 24 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR
            every working day = every weekday, from Tue 24 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR
            every monday and thursday = every Monday and Thursday, from Thu 26 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,TH
            weekly = every Tuesday, from Tue 24 Nov 2026 ; FREQ=WEEKLY;BYDAY=TU
            every other week = every 2 weeks on Tuesday, from Tue 24 Nov 2026 ; FREQ=WEEKLY;INTERVAL=2;BYDAY=TU
            every 2 weeks on tue = every 2 weeks on Tuesday, from Tue 24 Nov 2026 ; FREQ=WEEKLY;INTERVAL=2;BYDAY=TU
            every second friday = every 2 weeks on Friday, from Fri 27 Nov 2026 ; FREQ=WEEKLY;INTERVAL=2;BYDAY=FR
            every month = every month on the 24th, from Tue 24 Nov 2026 ; FREQ=MONTHLY;BYMONTHDAY=24
            monthly = every month on the 24th, from Tue 24 Nov 2026 ; FREQ=MONTHLY;BYMONTHDAY=24
            every month on the 15th = every month on the 15th, from Tue 15 Dec 2026 ; FREQ=MONTHLY;BYMONTHDAY=15
            monthly on the last friday = every month on the last Friday, from Fri 27 Nov 2026 ; FREQ=MONTHLY;BYDAY=-1FR
            every last day of the month = every month on the last day, from Mon 30 Nov 2026 ; FREQ=MONTHLY;BYMONTHDAY=-1
            every quarter = every 3 months on the 24th, from Tue 24 Nov 2026 ; FREQ=MONTHLY;INTERVAL=3;BYMONTHDAY=24
            every 3 months on the 1st = every 3 months on the 1st, from Tue 1 Dec 2026 ; FREQ=MONTHLY;INTERVAL=3;BYMONTHDAY=1
            every year on 3 may = every year on 3 May, from Mon 3 May 2027 ; FREQ=YEARLY;BYMONTH=5;BYMONTHDAY=3
            yearly = every year on 24 November, from Tue 24 Nov 2026 ; FREQ=YEARLY;BYMONTH=11;BYMONTHDAY=24
            every weekday at 3pm = every weekday at 15:00, from Tue 24 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR
            daily 8:30 = every day at 08:30, from Wed 25 Nov 2026 ; FREQ=DAILY
            every weekday at 3pm until 31 dec = every weekday at 15:00, from Tue 24 Nov 2026, until Thu 31 Dec 2026
                ; FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR;UNTIL=20261231T235959Z
            every day until 31 dec = every day, from Tue 24 Nov 2026, until Thu 31 Dec 2026 ; FREQ=DAILY;UNTIL=20261231
            every monday for 10 times = every Monday, from Mon 30 Nov 2026, for 10 times ; FREQ=WEEKLY;BYDAY=MO;COUNT=10
            every monday from 1 feb = every Monday, from Mon 1 Feb 2027 ; FREQ=WEEKLY;BYDAY=MO
            weekly starting monday = every Monday, from Mon 30 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO
            3/4 = Sat 3 Apr 2027 ~ Thu 4 Mar 2027
            9.10 = Sat 9 Oct 2027 ~ Wed 25 Nov 2026, 09:10
            at 9.10 = Wed 25 Nov 2026, 09:10
            Fri 27 Nov 2026, 15:00 = Fri 27 Nov 2026, 15:00
            every weekday at 15:00, from Tue 24 Nov 2026 = every weekday at 15:00, from Tue 24 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR
            first of next month = Tue 1 Dec 2026
            friday midnight = Sat 28 Nov 2026, 00:00
            every day at midnight = every day at 00:00, from Wed 25 Nov 2026 ; FREQ=DAILY
            yesterday = Mon 23 Nov 2026 (past)
            24 nov at 9 = Tue 24 Nov 2026, 09:00 (past)
            next friday 3pm = Fri 4 Dec 2026, 15:00 ~ Fri 27 Nov 2026, 15:00
            every month on the 31st = every month on the 31st, from Mon 30 Nov 2026 ; FREQ=MONTHLY;BYMONTHDAY=28,29,30,31;BYSETPOS=-1
                ~ every month on the 31st, only months that have it, from Thu 31 Dec 2026
            every month on the 31st, only months that have it = every month on the 31st, only months that have it, from Thu 31 Dec 2026
                ; FREQ=MONTHLY;BYMONTHDAY=31
            every 31st where there is one = every month on the 31st, only months that have it, from Thu 31 Dec 2026
                ; FREQ=MONTHLY;BYMONTHDAY=31
            every month on the 30th from 1 february = every month on the 30th, from Sun 28 Feb 2027
                ; FREQ=MONTHLY;BYMONTHDAY=28,29,30;BYSETPOS=-1
            every month on the 15th and 31st = every month on the 15th and the 31st, from Tue 15 Dec 2026 ; FREQ=MONTHLY;BYMONTHDAY=15,31
            every month on the 1st and 15th at 9 = every month on the 1st and the 15th at 09:00, from Tue 1 Dec 2026
                ; FREQ=MONTHLY;BYMONTHDAY=1,15
            3pm every weekday = every weekday at 15:00, from Tue 24 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR
            mondays and thursdays = every Monday and Thursday, from Thu 26 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,TH
            tonight at 8 = Tue 24 Nov 2026, 20:00
            friday evening at 8 = Fri 27 Nov 2026, 20:00
            3 in the afternoon = Tue 24 Nov 2026, 15:00
            3 days ago = Sat 21 Nov 2026 (past)
            two days before friday = Wed 25 Nov 2026
            last working day of the month = Mon 30 Nov 2026
            every last working day of the month = every month on the last working day, from Mon 30 Nov 2026
                ; FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1
            every year on the last friday of march = every year on the last Friday of March, from Fri 26 Mar 2027
                ; FREQ=YEARLY;BYMONTH=3;BYDAY=-1FR
            every monday to friday = every weekday, from Tue 24 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR
            half past 3 = Tue 24 Nov 2026, 15:30
            quarter to nine tomorrow = Wed 25 Nov 2026, 08:45
            1h 30m = Tue 24 Nov 2026, 11:30
            in 1 week and 2 days = Thu 3 Dec 2026
            in 2 days and 3 hours = Thu 26 Nov 2026, 13:00
            29 feb = Tue 29 Feb 2028
            next wednesday = Wed 2 Dec 2026 ~ Wed 25 Nov 2026
            coming friday = Fri 27 Nov 2026
            this coming friday = Fri 27 Nov 2026
            last friday = Fri 20 Nov 2026 (past)
            next weekend = Sat 5 Dec 2026 ~ Sat 28 Nov 2026
            monday next week = Mon 30 Nov 2026
            next week monday = Mon 30 Nov 2026
            monday of next week = Mon 30 Nov 2026
            friday week = Fri 4 Dec 2026
            tomorrow week = Wed 2 Dec 2026
            thursday this week = Thu 26 Nov 2026
            end of next week = Fri 4 Dec 2026
            end of next month = Thu 31 Dec 2026
            start of next month = Tue 1 Dec 2026
            end of january = Sun 31 Jan 2027
            end of february 2028 = Tue 29 Feb 2028
            start of march = Mon 1 Mar 2027
            next quarter = Fri 1 Jan 2027
            end of quarter = Thu 31 Dec 2026
            eoy = Thu 31 Dec 2026
            in a couple of days = Thu 26 Nov 2026
            a couple of weeks = Tue 8 Dec 2026
            in two weeks' time = Tue 8 Dec 2026
            3 weeks ago = Tue 3 Nov 2026 (past)
            day before yesterday = Sun 22 Nov 2026 (past)
            2 days after 1 dec = Thu 3 Dec 2026
            3 working days before 1 dec = Thu 26 Nov 2026
            a month from now = Thu 24 Dec 2026
            90 min from now = Tue 24 Nov 2026, 11:30
            in 1 hour 15 min = Tue 24 Nov 2026, 11:15
            1 day 2 hours = Wed 25 Nov 2026, 12:00
            three quarters of an hour = Tue 24 Nov 2026, 10:45
            in a quarter of an hour = Tue 24 Nov 2026, 10:15
            two and a half hours = Tue 24 Nov 2026, 12:30
            half a year = Mon 24 May 2027
            in a year and a half = Wed 24 May 2028
            2027-02-28 at noon = Sun 28 Feb 2027, 12:00
            2026/11/27 = Fri 27 Nov 2026
            27-11-2026 = Fri 27 Nov 2026
            27.11.2026 15:30 = Fri 27 Nov 2026, 15:30
            27/11/26 = Fri 27 Nov 2026
            friday the 27th = Fri 27 Nov 2026
            Friday, 27 November 2026 at 9:15 = Fri 27 Nov 2026, 09:15
            27 Nov. 2026 = Fri 27 Nov 2026
            NOV 27 = Fri 27 Nov 2026
            the first = Tue 1 Dec 2026
            2nd of december = Wed 2 Dec 2026
            1 nov 2026 = Sun 1 Nov 2026 (past)
            1500-11-27 = Tue 27 Nov 1500 (past)
            last working day of december = Thu 31 Dec 2026
            first working day of next month = Tue 1 Dec 2026
            second tuesday of march 2027 = Tue 9 Mar 2027
            last day of the month = Mon 30 Nov 2026
            fifth monday of november = Mon 30 Nov 2026
            at half past 9 = Wed 25 Nov 2026, 09:30
            10 o'clock = Wed 25 Nov 2026, 10:00
            12am = Wed 25 Nov 2026, 00:00
            12pm = Tue 24 Nov 2026, 12:00
            at 12 = Tue 24 Nov 2026, 12:00
            23:59 = Tue 24 Nov 2026, 23:59
            24:00 = Wed 25 Nov 2026, 00:00
            friday 24:00 = Sat 28 Nov 2026, 00:00
            tomorrow night = Wed 25 Nov 2026, 20:00
            friday afternoon = Fri 27 Nov 2026, 14:00
            friday afternoon at 3 = Fri 27 Nov 2026, 15:00
            friday noon = Fri 27 Nov 2026, 12:00
            9 in the morning tomorrow = Wed 25 Nov 2026, 09:00
            monday morning = Mon 30 Nov 2026, 09:00
            end of day friday = Fri 27 Nov 2026, 17:00
            friday eod = Fri 27 Nov 2026, 17:00
            tonight at 9pm = Tue 24 Nov 2026, 21:00
            this evening at 7 = Tue 24 Nov 2026, 19:00
            today at 9 = Tue 24 Nov 2026, 09:00 (past)
            noon tomorrow = Wed 25 Nov 2026, 12:00
            every other day = every 2 days, from Tue 24 Nov 2026 ; FREQ=DAILY;INTERVAL=2
            every 3 days = every 3 days, from Tue 24 Nov 2026 ; FREQ=DAILY;INTERVAL=3
            every friday = every Friday, from Fri 27 Nov 2026 ; FREQ=WEEKLY;BYDAY=FR
            every mon, wed and fri = every Monday, Wednesday and Friday, from Wed 25 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,WE,FR
            each week = every Tuesday, from Tue 24 Nov 2026 ; FREQ=WEEKLY;BYDAY=TU
            every 2 weeks on mon and fri = every 2 weeks on Monday and Friday, from Fri 27 Nov 2026 ; FREQ=WEEKLY;INTERVAL=2;BYDAY=MO,FR
            every third monday = every 3 weeks on Monday, from Mon 30 Nov 2026 ; FREQ=WEEKLY;INTERVAL=3;BYDAY=MO
            every 3rd monday of the month = every month on the third Monday, from Mon 21 Dec 2026 ; FREQ=MONTHLY;BYDAY=3MO
            every first monday = every month on the first Monday, from Mon 7 Dec 2026 ; FREQ=MONTHLY;BYDAY=1MO
            every week on friday at noon = every Friday at 12:00, from Fri 27 Nov 2026 ; FREQ=WEEKLY;BYDAY=FR
            fortnightly = every 2 weeks on Tuesday, from Tue 24 Nov 2026 ; FREQ=WEEKLY;INTERVAL=2;BYDAY=TU
            every fortnight on wed = every 2 weeks on Wednesday, from Wed 25 Nov 2026 ; FREQ=WEEKLY;INTERVAL=2;BYDAY=WE
            every month on the last working day = every month on the last working day, from Mon 30 Nov 2026
                ; FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1
            every month on the first and third tuesday = every month on the first Tuesday and the third Tuesday, from Tue 1 Dec 2026
                ; FREQ=MONTHLY;BYDAY=1TU,3TU
            every month on 15 = every month on the 15th, from Tue 15 Dec 2026 ; FREQ=MONTHLY;BYMONTHDAY=15
            monthly 15:00 = every month on the 24th at 15:00, from Tue 24 Nov 2026 ; FREQ=MONTHLY;BYMONTHDAY=24
            monthly at 9 = every month on the 24th at 09:00, from Thu 24 Dec 2026 ; FREQ=MONTHLY;BYMONTHDAY=24
            quarterly on the 1st = every 3 months on the 1st, from Tue 1 Dec 2026 ; FREQ=MONTHLY;INTERVAL=3;BYMONTHDAY=1
            every 31st = every month on the 31st, from Mon 30 Nov 2026 ; FREQ=MONTHLY;BYMONTHDAY=28,29,30,31;BYSETPOS=-1
                ~ every month on the 31st, only months that have it, from Thu 31 Dec 2026
            every 2 years = every 2 years on 24 November, from Tue 24 Nov 2026 ; FREQ=YEARLY;INTERVAL=2;BYMONTH=11;BYMONTHDAY=24
            annually on 29 feb = every year on 29 February, from Tue 29 Feb 2028 ; FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29
            every 3 may = every year on 3 May, from Mon 3 May 2027 ; FREQ=YEARLY;BYMONTH=5;BYMONTHDAY=3
            every morning = every day at 09:00, from Wed 25 Nov 2026 ; FREQ=DAILY
            every monday morning = every Monday at 09:00, from Mon 30 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO
            every friday afternoon at 4 = every Friday at 16:00, from Fri 27 Nov 2026 ; FREQ=WEEKLY;BYDAY=FR
            every day from next week = every day, from Mon 30 Nov 2026 ; FREQ=DAILY
            every day until friday = every day, from Tue 24 Nov 2026, until Fri 27 Nov 2026 ; FREQ=DAILY;UNTIL=20261127
            every friday until the end of the year = every Friday, from Fri 27 Nov 2026, until Thu 31 Dec 2026
                ; FREQ=WEEKLY;BYDAY=FR;UNTIL=20261231
            every day 3 times = every day, from Tue 24 Nov 2026, for 3 times ; FREQ=DAILY;COUNT=3
            every tuesday at 9 = every Tuesday at 09:00, from Tue 1 Dec 2026 ; FREQ=WEEKLY;BYDAY=TU
            every tuesday at 11 = every Tuesday at 11:00, from Tue 24 Nov 2026 ; FREQ=WEEKLY;BYDAY=TU
            every weekday from 1 feb at 8:30 until 1 mar = every weekday at 08:30, from Mon 1 Feb 2027, until Mon 1 Mar 2027
                ; FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR;UNTIL=20270301T235959Z
            every 2 weeks from 10 nov 2026 = every 2 weeks on Tuesday, from Tue 24 Nov 2026 ; FREQ=WEEKLY;INTERVAL=2;BYDAY=TU
            every first, third and last tuesday of the month
                = every month on the first Tuesday, the third Tuesday and the last Tuesday, from Tue 24 Nov 2026
                ; FREQ=MONTHLY;BYDAY=1TU,3TU,-1TU
            every 2nd of the month = every month on the 2nd, from Wed 2 Dec 2026 ; FREQ=MONTHLY;BYMONTHDAY=2
            every 2nd month = every 2 months on the 24th, from Tue 24 Nov 2026 ; FREQ=MONTHLY;INTERVAL=2;BYMONTHDAY=24
            every second month on the last day = every 2 months on the last day, from Mon 30 Nov 2026
                ; FREQ=MONTHLY;INTERVAL=2;BYMONTHDAY=-1
            second 15:00 = Wed 2 Dec 2026, 15:00
            TABLE);
        // a Saturday
        yield from Phrases::table('2026-11-28T10:00', 'Europe/Lisbon', <<<'TABLE'
            today = Sat 28 Nov 2026
            saturday = Sat 5 Dec 2026
            next saturday = Sat 5 Dec 2026
            this week = Fri 4 Dec 2026
            weekend = Sat 28 Nov 2026
            next weekend = Sat 5 Dec 2026 ~ Sat 28 Nov 2026
            next week = Mon 30 Nov 2026
            next monday = Mon 30 Nov 2026
            in 1 working day = Mon 30 Nov 2026
            end of week = Fri 4 Dec 2026
            sunday = Sun 29 Nov 2026
            TABLE);
        // a Sunday evening
        yield from Phrases::table('2026-11-29T18:30', 'Europe/Lisbon', <<<'TABLE'
            weekend = Sat 5 Dec 2026
            next weekend = Sat 5 Dec 2026
            eow = Fri 4 Dec 2026
            next friday = Fri 4 Dec 2026
            next week = Mon 30 Nov 2026
            monday = Mon 30 Nov 2026
            this evening = Mon 30 Nov 2026, 18:00
            eod = Mon 30 Nov 2026, 17:00
            in 3 working days = Wed 2 Dec 2026
            every weekday = every weekday, from Mon 30 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR
            every weekend = every Saturday and Sunday, from Sun 29 Nov 2026 ; FREQ=WEEKLY;BYDAY=SA,SU
            TABLE);
        // the last minute of a month
        yield from Phrases::table('2027-01-31T23:59', 'Europe/Lisbon', <<<'TABLE'
            in a month = Sun 28 Feb 2027
            next month = Mon 1 Feb 2027
            monthly = every month on the 31st, from Sun 31 Jan 2027 ; FREQ=MONTHLY;BYMONTHDAY=28,29,30,31;BYSETPOS=-1
                ~ every month on the 31st, only months that have it, from Sun 31 Jan 2027
            every 2 months = every 2 months on the 31st, from Sun 31 Jan 2027
                ; FREQ=MONTHLY;INTERVAL=2;BYMONTHDAY=28,29,30,31;BYSETPOS=-1
                    ~ every 2 months on the 31st, only months that have it, from Sun 31 Jan 2027
            the 30th = Tue 30 Mar 2027
            the 31st = Sun 31 Jan 2027
            end of month = Sun 31 Jan 2027
            end of next month = Sun 28 Feb 2027
            in 1 min = Mon 1 Feb 2027, 00:00
            29 feb = Tue 29 Feb 2028
            first of next month = Mon 1 Feb 2027
            yearly = every year on 31 January, from Sun 31 Jan 2027 ; FREQ=YEARLY;BYMONTH=1;BYMONTHDAY=31
            TABLE);
        // a leap day
        yield from Phrases::table('2028-02-29T08:00', 'America/New_York', <<<'TABLE'
            in a year = Wed 28 Feb 2029
            yearly = every year on 29 February, from Tue 29 Feb 2028 ; FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29
            29 feb = Tue 29 Feb 2028
            29th = Tue 29 Feb 2028
            in 4 years = Sun 29 Feb 2032
            every month = every month on the 29th, from Tue 29 Feb 2028 ; FREQ=MONTHLY;BYMONTHDAY=28,29;BYSETPOS=-1
                ~ every month on the 29th, only months that have it, from Tue 29 Feb 2028
            last day of february = Tue 29 Feb 2028
            last day of february 2029 = Wed 28 Feb 2029
            end of february = Tue 29 Feb 2028
            TABLE);
        // the last hour of a year
        yield from Phrases::table('2026-12-31T23:30', 'Pacific/Auckland', <<<'TABLE'
            tomorrow = Fri 1 Jan 2027
            in an hour = Fri 1 Jan 2027, 00:30
            end of year = Thu 31 Dec 2026
            next year = Fri 1 Jan 2027
            1 jan = Fri 1 Jan 2027
            31 dec = Thu 31 Dec 2026
            31/12 = Thu 31 Dec 2026
            next quarter = Fri 1 Jan 2027
            end of quarter = Thu 31 Dec 2026
            in a quarter = Wed 31 Mar 2027
            every year on 31 dec at 11pm = every year on 31 December at 23:00, from Fri 31 Dec 2027 ; FREQ=YEARLY;BYMONTH=12;BYMONTHDAY=31
            midnight = Fri 1 Jan 2027, 00:00
            00:00 = Fri 1 Jan 2027, 00:00
            TABLE);
        // the night in which the clocks go forward
        yield from Phrases::table('2026-03-28T22:15', 'Europe/Berlin', <<<'TABLE'
            tomorrow 2:30 = Sun 29 Mar 2026, 03:30 ~ Sun 29 Mar 2026, 14:30
            in 4 hours = Sun 29 Mar 2026, 03:15
            in 3 hours = Sun 29 Mar 2026, 01:15
            at 2:30am = Sun 29 Mar 2026, 03:30
            every day at 2:30 = every day at 02:30, from Sun 29 Mar 2026 ; FREQ=DAILY
            in 1 day = Sun 29 Mar 2026
            1 day and 1 hour = Sun 29 Mar 2026, 23:15
            every day at 2:30 until tomorrow = every day at 02:30, from Sun 29 Mar 2026, until Sun 29 Mar 2026
                ; FREQ=DAILY;UNTIL=20260329T215959Z
            TABLE);
        // the same in New York
        yield from Phrases::table('2026-03-08T01:30', 'America/New_York', <<<'TABLE'
            in a day = Mon 9 Mar 2026
            today 2:30 = Sun 8 Mar 2026, 03:30 ~ Sun 8 Mar 2026, 14:30
            3am = Sun 8 Mar 2026, 03:00
            in 2 hours = Sun 8 Mar 2026, 04:30
            TABLE);
        // the night in which they go back
        yield from Phrases::table('2026-10-24T22:00', 'Europe/Berlin', <<<'TABLE'
            tomorrow 2:30 = Sun 25 Oct 2026, 02:30 ~ Sun 25 Oct 2026, 14:30
            in 4 hours = Sun 25 Oct 2026, 02:00
            in 5 hours = Sun 25 Oct 2026, second 02:00
            in 6 hours = Sun 25 Oct 2026, 03:00
            second 2:30 tomorrow = Sun 25 Oct 2026, second 02:30
            tomorrow second 3:30 ! 0 "tomorrow second 3:30": the clock shows that time only once on that day.
            Sun 25 Oct 2026, second 02:00 = Sun 25 Oct 2026, second 02:00
            every day at 2:30 = every day at 02:30, from Sun 25 Oct 2026 ; FREQ=DAILY
            TABLE);
        // a clock that changes by half an hour
        yield from Phrases::table('2026-10-03T23:00', 'Australia/Lord_Howe', <<<'TABLE'
            tomorrow 2:10 = Sun 4 Oct 2026, 02:40 ~ Sun 4 Oct 2026, 14:10
            in 3 hours = Sun 4 Oct 2026, 02:30
            in 4 hours = Sun 4 Oct 2026, 03:30
            TABLE);
    }

    /** @return iterable<string, array{string, string, string, string}> */
    public static function typedByHand(): iterable
    {
        yield from Phrases::table('2026-11-24T10:00', 'Europe/Lisbon', <<<'TABLE'
            tmr = Wed 25 Nov 2026
            tmrw = Wed 25 Nov 2026
            2moro = Wed 25 Nov 2026
            tomorow = Wed 25 Nov 2026
            wendesday = Wed 25 Nov 2026
            12 novemeber = Fri 12 Nov 2027
            mon am = Mon 30 Nov 2026, 09:00
            fri pm = Fri 27 Nov 2026, 14:00
            first thing monday = Mon 30 Nov 2026, 09:00
            monday first thing = Mon 30 Nov 2026, 09:00
            tomorrow lunchtime = Wed 25 Nov 2026, 12:00
            lunch friday = Fri 27 Nov 2026, 12:00
            after lunch = Tue 24 Nov 2026, 14:00
            fri eve = Fri 27 Nov 2026, 18:00
            late tonight = Tue 24 Nov 2026, 20:00
            cob friday = Fri 27 Nov 2026, 17:00
            close of business friday = Fri 27 Nov 2026, 17:00
            eob = Tue 24 Nov 2026, 17:00
            this time tomorrow = Wed 25 Nov 2026, 10:00
            later today = Tue 24 Nov 2026, 13:00
            later = Tue 24 Nov 2026, 13:00
            mon 9 = Mon 30 Nov 2026, 09:00
            tomorrow 9 = Wed 25 Nov 2026, 09:00
            fri at 5 = Fri 27 Nov 2026, 17:00
            friday 1430 = Fri 27 Nov 2026, 14:30
            tomorrow at 0900 = Wed 25 Nov 2026, 09:00
            1230pm = Tue 24 Nov 2026, 12:30
            tomorrow evening 7 = Wed 25 Nov 2026, 19:00
            monday afternoon 3 = Mon 30 Nov 2026, 15:00
            tonight 7 = Tue 24 Nov 2026, 19:00
            half 3 = Tue 24 Nov 2026, 14:30 ~ Wed 25 Nov 2026, 02:30
            quarter past 4 = Tue 24 Nov 2026, 16:15
            ten to 9 = Wed 25 Nov 2026, 08:50
            6:30 = Wed 25 Nov 2026, 06:30
            tomorrow 6:30 = Wed 25 Nov 2026, 06:30 ~ Wed 25 Nov 2026, 18:30
            friday 2.30 = Fri 27 Nov 2026, 02:30 ~ Fri 27 Nov 2026, 14:30
            today 4:30 = Tue 24 Nov 2026, 16:30
            tomorrow @ 3pm = Wed 25 Nov 2026, 15:00
            fri@3pm = Fri 27 Nov 2026, 15:00
            fri, 3 pm = Fri 27 Nov 2026, 15:00
            15:00:00 = Tue 24 Nov 2026, 15:00
            10m = Tue 24 Nov 2026, 10:10
            1.5h = Tue 24 Nov 2026, 11:30
            in 1.5 hours = Tue 24 Nov 2026, 11:30
            in twenty minutes = Tue 24 Nov 2026, 10:20
            in thirty-five days = Tue 29 Dec 2026
            within two weeks = Tue 8 Dec 2026
            2 days later = Thu 26 Nov 2026
            3 days from now = Fri 27 Nov 2026
            in a few days = Fri 27 Nov 2026
            in a couple of hours = Tue 24 Nov 2026, 12:00
            now = Tue 24 Nov 2026, 10:00
            a week today = Tue 1 Dec 2026
            today week = Tue 1 Dec 2026
            a week on friday = Fri 4 Dec 2026
            week on friday = Fri 4 Dec 2026
            week after next = Mon 7 Dec 2026
            month after next = Fri 1 Jan 2027
            monday after next = Mon 7 Dec 2026
            monday next = Mon 30 Nov 2026
            next working day = Wed 25 Nov 2026
            next business day = Wed 25 Nov 2026
            fri 27 = Fri 27 Nov 2026
            friday 27 = Fri 27 Nov 2026
            fri 9 = Fri 27 Nov 2026, 09:00
            second tuesday in december = Tue 8 Dec 2026
            3rd wednesday in november = Wed 17 Nov 2027
            in 3 weeks on monday = Mon 14 Dec 2026
            monday in 3 weeks = Mon 14 Dec 2026
            january = Fri 1 Jan 2027
            in january = Fri 1 Jan 2027
            mid december = Tue 15 Dec 2026
            early december = Tue 1 Dec 2026
            start of next week = Mon 30 Nov 2026
            early next week = Mon 30 Nov 2026
            middle of next week = Wed 2 Dec 2026
            week 50 = Mon 7 Dec 2026
            q1 = Fri 1 Jan 2027
            end of q1 = Wed 31 Mar 2027
            eoq = Thu 31 Dec 2026
            1 january next year = Fri 1 Jan 2027
            christmas = Fri 25 Dec 2026
            christmas eve = Thu 24 Dec 2026
            boxing day = Sat 26 Dec 2026
            new year's eve = Thu 31 Dec 2026
            new year = Fri 1 Jan 2027
            good friday = Fri 26 Mar 2027
            easter = Sun 28 Mar 2027
            easter monday = Mon 29 Mar 2027
            12/24 = Thu 24 Dec 2026
            24-12 = Thu 24 Dec 2026
            5-jan = Tue 5 Jan 2027
            30-07-2027 = Fri 30 Jul 2027
            2027.08.09 = Mon 9 Aug 2027
            2027/aug/10 = Tue 10 Aug 2027
            20261224 = Thu 24 Dec 2026
            2026-12-24T15:00 = Thu 24 Dec 2026, 15:00
            by friday = Fri 27 Nov 2026
            until friday = Fri 27 Nov 2026
            no later than friday = Fri 27 Nov 2026
            due friday = Fri 27 Nov 2026
            before friday = Thu 26 Nov 2026
            from friday = Fri 27 Nov 2026
            not before monday = Mon 30 Nov 2026
            after 5pm = Tue 24 Nov 2026, 17:00
            tomorrow 9-11 = Wed 25 Nov 2026, 09:00–11:00
            tomorrow from 9 to 11 = Wed 25 Nov 2026, 09:00–11:00
            fri 2-4pm = Fri 27 Nov 2026, 14:00–16:00
            14:00 for 90 min = Tue 24 Nov 2026, 14:00–15:30
            every week = every Tuesday, from Tue 24 Nov 2026 ; FREQ=WEEKLY;BYDAY=TU
            every friday from 20 nov = every Friday, from Fri 27 Nov 2026 ; FREQ=WEEKLY;BYDAY=FR
            weekdays at 9 = every weekday at 09:00, from Wed 25 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR
            weekends = every Saturday and Sunday, from Sat 28 Nov 2026 ; FREQ=WEEKLY;BYDAY=SA,SU
            mon/wed/fri = every Monday, Wednesday and Friday, from Wed 25 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,WE,FR
            mon & thu = every Monday and Thursday, from Thu 26 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,TH
            mon-fri at 9 = every weekday at 09:00, from Wed 25 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR
            monday to friday at 9 = every weekday at 09:00, from Wed 25 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR
            daily except weekends = every weekday, from Tue 24 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR
            biweekly = every 2 weeks on Tuesday, from Tue 24 Nov 2026 ; FREQ=WEEKLY;INTERVAL=2;BYDAY=TU
            bimonthly = every 2 months on the 24th, from Tue 24 Nov 2026 ; FREQ=MONTHLY;INTERVAL=2;BYMONTHDAY=24
            every half year = every 6 months on the 24th, from Tue 24 Nov 2026 ; FREQ=MONTHLY;INTERVAL=6;BYMONTHDAY=24
            half-yearly = every 6 months on the 24th, from Tue 24 Nov 2026 ; FREQ=MONTHLY;INTERVAL=6;BYMONTHDAY=24
            once a week = every Tuesday, from Tue 24 Nov 2026 ; FREQ=WEEKLY;BYDAY=TU
            once a month = every month on the 24th, from Tue 24 Nov 2026 ; FREQ=MONTHLY;BYMONTHDAY=24
            on the 1st of every month = every month on the 1st, from Tue 1 Dec 2026 ; FREQ=MONTHLY;BYMONTHDAY=1
            1st of every month = every month on the 1st, from Tue 1 Dec 2026 ; FREQ=MONTHLY;BYMONTHDAY=1
            first monday of every month = every month on the first Monday, from Mon 7 Dec 2026 ; FREQ=MONTHLY;BYDAY=1MO
            last friday of every month = every month on the last Friday, from Fri 27 Nov 2026 ; FREQ=MONTHLY;BYDAY=-1FR
            last day of every month = every month on the last day, from Mon 30 Nov 2026 ; FREQ=MONTHLY;BYMONTHDAY=-1
            last working day of every month = every month on the last working day, from Mon 30 Nov 2026
                ; FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1
            first working day of the month = every month on the first working day, from Tue 1 Dec 2026
                ; FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=1
            every quarter on the last day = every quarter on the last day, from Thu 31 Dec 2026 ; FREQ=YEARLY;BYMONTH=3,6,9,12;BYMONTHDAY=-1
            every quarter on the first monday = every quarter on the first Monday, from Mon 4 Jan 2027
                ; FREQ=YEARLY;BYMONTH=1,4,7,10;BYDAY=1MO
            every day for 2 weeks = every day, from Tue 24 Nov 2026, until Mon 7 Dec 2026 ; FREQ=DAILY;UNTIL=20261207
            every monday for 6 weeks = every Monday, from Mon 30 Nov 2026, until Sun 10 Jan 2027 ; FREQ=WEEKLY;BYDAY=MO;UNTIL=20270110
            every 2 weeks until march = every 2 weeks on Tuesday, from Tue 24 Nov 2026, until Mon 1 Mar 2027
                ; FREQ=WEEKLY;INTERVAL=2;BYDAY=TU;UNTIL=20270301
            from monday every week = every Monday, from Mon 30 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO
            starting 1 dec every day = every day, from Tue 1 Dec 2026 ; FREQ=DAILY
            3 days after completion = every 3 days after completion, from Tue 24 Nov 2026 ; FREQ=DAILY;INTERVAL=3
            every 3 days after completion = every 3 days after completion, from Tue 24 Nov 2026 ; FREQ=DAILY;INTERVAL=3
            every week after it is done = every week after completion, from Tue 24 Nov 2026 ; FREQ=WEEKLY;BYDAY=TU
            twice a week ! 0 On which days is "twice a week"? Name them: "every monday and thursday".
            every hour ! 6 A day is the least: a repeat goes by days, weeks, months or years, not by "hour".
            every monday except holidays
                ! 13 "except holidays": only days of the week can be left out. What falls on another day is skipped when it comes.
            thursday 31 july ! 0 "thursday 31 july" cannot be: 31 Jul 2027 is a Saturday.
            friday 31 july = Fri 31 Jul 2026 (past)
            Satuday = Sat 28 Nov 2026
            every tuseday = every Tuesday, from Tue 24 Nov 2026 ; FREQ=WEEKLY;BYDAY=TU
            tonight 11:30 = Tue 24 Nov 2026, 23:30
            today 9:30 = Tue 24 Nov 2026, 21:30
            every quarter on the last working day = every quarter on the last working day, from Thu 31 Dec 2026
                ; FREQ=MONTHLY;BYMONTH=3,6,9,12;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1
            every day except sunday = every Monday, Tuesday, Wednesday, Thursday, Friday and Saturday, from Tue 24 Nov 2026
                ; FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR,SA
            every year on christmas = every year on 25 December, from Fri 25 Dec 2026 ; FREQ=YEARLY;BYMONTH=12;BYMONTHDAY=25
            1st of january next year = Fri 1 Jan 2027
            day before friday = Thu 26 Nov 2026
            after friday = Mon 30 Nov 2026
            before next week = Fri 27 Nov 2026
            tomorrow 22:00-01:00 = Wed 25 Nov 2026, 22:00–01:00
            fri 11-1 = Fri 27 Nov 2026, 11:00–13:00
            mon 21 = Mon 21 Dec 2026
            fri 13 = Fri 27 Nov 2026, 13:00
            wed 2 = Wed 25 Nov 2026, 14:00 ~ Wed 2 Dec 2026
            fri 31 ! 0 "fri 31" cannot be: 31 Dec 2026 is a Thursday.
            week 60 ! 0 "week 60": that year has no such week.
            week 53 = Mon 28 Dec 2026
            end of 2027 = Fri 31 Dec 2027
            first quarter = Fri 1 Jan 2027
            9:30 EST = Tue 24 Nov 2026, 14:30
            2026-12-31T23:59:00Z = Thu 31 Dec 2026, 23:59
            next christmas = Fri 25 Dec 2026
            fri 31 dec ! 0 "fri 31 dec" cannot be: 31 Dec 2026 is a Thursday.
            sunday 26 december 2026 ! 0 "sunday 26 december 2026" cannot be: 26 Dec 2026 is a Saturday.
            9 to 5 friday ! 7 I cannot read "friday".
            TABLE);
    }

    /** @return iterable<string, array{string, string, string, string}> */
    public static function refusals(): iterable
    {
        yield from Phrases::table('2026-11-24T10:00', 'Europe/Lisbon', <<<'TABLE'
            sat 27 nov ! 0 "sat 27 nov" cannot be: 27 Nov 2026 is a Friday.
            31 feb ! 0 "31 feb" is not a day of the calendar.
            25:00 ! 0 "25:00" is no time of the day.
            every 0 days ! 0 "every 0 days" cannot be.
            next blursday ! 5 I cannot read "blursday".
            friday frobnicate ! 7 I cannot read "frobnicate".
            tomorrow friday ! 9 I cannot read "friday".
            in 3 ! 3 Something is missing after "3".
            every ! 0 Something is missing after "every".
            at ! 0 Write when: "friday 3pm", "in 2 weeks", "end of month".
            friday 3pm next week ! 11 I cannot read "next".
            mon 27 nov ! 0 "mon 27 nov" cannot be: 27 Nov 2026 is a Friday.
            every 2 hours ! 6 A day is the least: a repeat goes by days, weeks, months or years, not by "2 hours".
            every monday at midnight ! 0 "every monday at midnight": midnight belongs to the following day. Name that day, and 00:00.
            9 ! 0 What is "9"? An hour is written "at 9".
            in 0 days ! 3 "0 days" is no length of time.
            in 99999 years ! 0 "in 99999 years" leads out of the calendar.
            29 feb 2027 ! 0 "29 feb 2027" is not a day of the calendar.
            3rdx ! 0 I cannot read "3rdx".
            every monday until 1 nov 2026 ! 0 "every monday until 1 nov 2026" is over before it begins.
            every monday from 2 nov 2026 for 3 times ! 0 "every monday from 2 nov 2026 for 3 times" is over before it begins.
             ! 0 Write when: "friday 3pm", "in 2 weeks", "end of month".
            the ! 0 Write when: "friday 3pm", "in 2 weeks", "end of month".
            blursday ! 0 I cannot read "blursday".
            friday 3pm please ! 11 I cannot read "please".
            friday monday ! 7 I cannot read "monday".
            3pm 4pm ! 4 I cannot read "4pm".
            next ! 0 Something is missing after "next".
            next 3 ! 5 I cannot read "3".
            in ! 0 Something is missing after "in".
            in 3 frogs ! 5 I cannot read "frogs".
            every frog ! 6 I cannot read "frog".
            every 0 weeks ! 0 "every 0 weeks" cannot be.
            for 3 times ! 6 Something is missing after "times".
            every day for 0 times ! 10 "for 0 times" is no number of times.
            every day for 3 times until friday ! 22 "until friday" does not go with what stands before it.
            every day until friday until monday ! 23 "until monday" does not go with what stands before it.
            30 feb 2028 ! 0 "30 feb 2028" is not a day of the calendar.
            31 nov ! 0 "31 nov" is not a day of the calendar.
            32 nov ! 0 "32 nov" is not a day of the calendar.
            the 32nd ! 4 "32nd" is not a day of any month.
            0 nov ! 0 "0 nov" is not a day of the calendar.
            27/13/2026 ! 0 "27/13/2026" is not a day of the calendar.
            2026-02-30 ! 0 "2026-02-30" is not a day of the calendar.
            12:60 ! 0 "12:60" is no time of the day.
            13pm ! 0 "13pm" is no time of the day.
            0am ! 0 "0am" is no time of the day.
            at 0 ! 3 "0" is no hour of the day.
            at 25 ! 3 "25" is no hour of the day.
            0 min ! 0 "0 min" is no length of time.
            9999999999 days ! 0 I cannot read "9999999999".
            friday 2026-11-26 ! 0 "friday 2026-11-26" cannot be: 26 Nov 2026 is a Thursday.
            every day from 1 nov 2026 until 20 nov 2026 ! 0 "every day from 1 nov 2026 until 20 nov 2026" is over before it begins.
            half ! 0 Something is missing after "half".
            fünf Tage ! 0 I cannot read "fünf".
            🙂 ! 0 I cannot read "🙂".
            last ! 0 Something is missing after "last".
            friday in 2 frogs ! 12 I cannot read "frogs".
            every month on the 32nd ! 19 "32nd" is not a day of any month.
            every year on 31 feb ! 14 "31 feb" is not a day of the calendar.
            every day every day ! 10 I cannot read "every".
            every day at 9 at 10 ! 18 "10" does not go with what stands before it.
            TABLE);
    }

    #[DataProvider('readings')]
    #[DataProvider('refusals')]
    #[DataProvider('typedByHand')]
    public function testEveryPhraseHasOneReading(string $now, string $zone, string $phrase, string $expected): void
    {
        self::assertSame($expected, Phrases::answer(new WhenReader(), $phrase, Phrases::now($now, $zone)));
    }

    public function testTheOffsetCountsCharactersNotBytes(): void
    {
        self::assertSame(
            '! 8 I cannot read "wörld".',
            Phrases::answer(new WhenReader(), '  fri   wörld', Phrases::now('2026-11-24T10:00', 'Europe/Lisbon')),
        );
        self::assertSame(
            '! 4 I cannot read "’öx".',
            Phrases::answer(new WhenReader(), 'fri ’öx', Phrases::now('2026-11-24T10:00', 'Europe/Lisbon')),
        );
    }

    public function testAPhraseThatIsFarTooLongIsNotRead(): void
    {
        self::assertSame(
            '! 200 That is too long to be a time: 200 characters at most.',
            Phrases::answer(new WhenReader(), str_repeat('friday ', 40), Phrases::now('2026-11-24T10:00', 'Europe/Lisbon')),
        );
    }

    /** @return iterable<array{string, string}> phrase, reading */
    public static function ofMonthFirst(): iterable
    {
        yield ['11/27', 'Fri 27 Nov 2026'];
        yield ['27/11', 'Fri 27 Nov 2026'];
        yield ['3/4', 'Thu 4 Mar 2027 ~ Sat 3 Apr 2027'];
        yield ['3/4/2027', 'Thu 4 Mar 2027 ~ Sat 3 Apr 2027'];
        yield ['27.11.', 'Fri 27 Nov 2026'];
        yield ['4.3.2027', 'Thu 4 Mar 2027'];
    }

    #[DataProvider('ofMonthFirst')]
    public function testTheMonthMayComeFirst(string $phrase, string $expected): void
    {
        self::assertSame(
            $expected,
            Phrases::answer(new WhenReader(new TimeSettings(dayFirst: false)), $phrase, Phrases::now('2026-11-24T10:00', 'Europe/Lisbon')),
        );
    }

    /** @return iterable<array{string, string}> phrase, reading */
    public static function ofAnotherWeek(): iterable
    {
        yield ['next week', 'Sun 29 Nov 2026'];
        yield ['end of week', 'Thu 26 Nov 2026'];
        yield ['end of next week', 'Thu 3 Dec 2026'];
        yield ['next saturday', 'Sat 5 Dec 2026 ~ Sat 28 Nov 2026'];
        yield ['next sunday', 'Sun 29 Nov 2026'];
        yield ['in 3 working days', 'Sun 29 Nov 2026'];
        yield [
            'every working day',
            'every Monday, Tuesday, Wednesday, Thursday and Sunday, from Tue 24 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,SU',
        ];
        yield ['every weekday', 'every weekday, from Tue 24 Nov 2026 ; FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR'];
        yield [
            'every 2 weeks on sun and mon',
            'every 2 weeks on Monday and Sunday, from Sun 29 Nov 2026 ; FREQ=WEEKLY;INTERVAL=2;BYDAY=MO,SU;WKST=SU',
        ];
        yield ['tomorrow morning', 'Wed 25 Nov 2026, 07:30'];
        yield ['tonight', 'Tue 24 Nov 2026, 21:00'];
        yield ['friday evening at 7', 'Fri 27 Nov 2026, 19:00'];
        yield ['noon', 'Tue 24 Nov 2026, 12:00'];
    }

    #[DataProvider('ofAnotherWeek')]
    public function testWeeksAndDaysArePeoplesOwn(string $phrase, string $expected): void
    {
        $settings = new TimeSettings(week: new Week(7, [1, 2, 3, 4, 7]), marks: ['morning' => '07:30', 'tonight' => '21:00']);
        self::assertSame($expected, Phrases::answer(new WhenReader($settings), $phrase, Phrases::now('2026-11-24T10:00', 'Europe/Lisbon')));
    }

    /** At the very moment: a mark is not past yet, and a clock shows a time again only tomorrow. */
    public function testTheMomentItself(): void
    {
        $now = Phrases::now('2026-11-24T17:00', 'Europe/Lisbon');
        self::assertSame('Tue 24 Nov 2026, 17:00', Phrases::answer(new WhenReader(), 'end of day', $now));
        self::assertSame('Wed 25 Nov 2026, 17:00', Phrases::answer(new WhenReader(), '17:00', $now));
        self::assertSame(
            'every day at 17:00, from Tue 24 Nov 2026 ; FREQ=DAILY',
            Phrases::answer(new WhenReader(), 'every day at 17:00', $now),
        );
    }

    /** One slip in a long word is read, and said; what can only be meant otherwise, too. */
    public function testWhatWasReadInsteadIsSaid(): void
    {
        $corrected = static fn (string $phrase): array => (new WhenReader())->read($phrase, Phrases::now(
            '2026-11-24T10:00',
            'Europe/Lisbon',
        ))->state()['corrected'] ?? [];
        self::assertSame(['tomorow' => 'tomorrow'], $corrected('Tomorow 9'));
        self::assertSame(['wendesday' => 'wednesday', 'mornign' => 'morning'], $corrected('wendesday mornign'));
        self::assertSame(['12/24' => '24/12'], $corrected('12/24'));
        self::assertSame([], $corrected('tomorrow'));
    }

    /** @return iterable<array{string, string}> */
    public static function stretches(): iterable
    {
        yield ['tomorrow 9-11', '11:00'];
        yield ['fri 2-4pm', '16:00'];
        yield ['14:00 for 90 min', '15:30'];
        yield ['tomorrow from 9:30 to 11', '11:00'];
        yield ['friday 22:00-01:00', '01:00'];
        yield ['tomorrow 9:00-10:00 EST', '15:00'];
    }

    #[DataProvider('stretches')]
    public function testAStretchHasAnEnd(string $phrase, string $until): void
    {
        $reading = (new WhenReader())->read($phrase, Phrases::now('2026-11-24T10:00', 'Europe/Lisbon'));
        self::assertSame($until, $reading->state()['until'] ?? null);
        self::assertSame(
            $reading->state(),
            (new WhenReader())->read($reading->text(), Phrases::now('2026-11-24T10:00', 'Europe/Lisbon'))->state(),
        );
    }
}

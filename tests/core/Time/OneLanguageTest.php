<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Time;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\Field\WhenReader;
use ZippyTray\Core\Time\Grammar\Lexemes;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Prose\Spot;
use ZippyTray\Core\Time\Prose\Spotter;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Time\Week;

/**
 * One language of time: what a field reads, a letter says too, unless there is a reason.
 */
final class OneLanguageTest extends TestCase
{
    private const WHY_ONLY_THE_FIELD = [
        'alone' => 'a time without a day is that of the day on which the letter was sent',
        'capital' => 'names that are words as well need their capital in prose',
        'length' => 'how long something takes is not when it is',
        'loose' => 'a stretch of time is a day only behind words such as "by"',
        'midnight' => 'who writes to somebody means the whole day',
        'now' => 'a moment that is counted from the one of writing is over when it is read',
        'number' => 'in prose a number alone counts something',
        'sent' => 'what is over is told from the moment at which the letter was sent, not by the words',
        'short' => 'short forms are words or names in prose',
        'side' => '"before", "after" and "at the latest" are what makes a deadline of the day that is named',
        'slip' => 'what somebody else wrote is not corrected',
        'story' => '"two days later" is told from another day in a story',
    ];

    /** Ways in which a letter leads up to a time. */
    private const SENTENCES = [
        'We need it %s then, please.',
        'We need it by %s, please.',
        'We meet on %s, I hope.',
        'We meet at %s, I hope.',
    ];

    /** @return iterable<string, array{string, string, string}> phrase, day and time, why only a field reads it */
    public static function phrases(): iterable
    {
        // On Tuesday 24 November 2026 at 10:00. A line is "phrase = day time | why only the field".
        $table = <<<'TABLE'
            tmr = 2026-11-25
            inside a week = 2026-12-01
            inside ten days = 2026-12-04
            before the month is out = 2026-11-30
            before the year is out = 2026-12-31
            tmrw = 2026-11-25
            2moro = 2026-11-25
            tomorow = 2026-11-25 | slip
            wendesday = 2026-11-25 | slip
            12 novemeber = 2027-11-12 | slip
            mon am = 2026-11-30 09:00 | short
            fri pm = 2026-11-27 14:00 | short
            first thing monday = 2026-11-30 09:00
            monday first thing = 2026-11-30 09:00
            tomorrow lunchtime = 2026-11-25 12:00
            lunch friday = 2026-11-27 12:00
            after lunch = 2026-11-24 14:00 | alone
            fri eve = 2026-11-27 18:00 | short
            late tonight = 2026-11-24 20:00
            cob friday = 2026-11-27 17:00
            close of business friday = 2026-11-27 17:00
            eob = 2026-11-24 17:00
            this time tomorrow = 2026-11-25 10:00 | now
            later today = 2026-11-24 13:00 | now
            later = 2026-11-24 13:00 | now
            this morning = 2026-11-24 09:00
            mon 9 = 2026-11-30 09:00 | number
            tomorrow 9 = 2026-11-25 09:00 | number
            fri at 5 = 2026-11-27 17:00
            friday 1430 = 2026-11-27 14:30 | number
            tomorrow at 0900 = 2026-11-25 09:00
            1230pm = 2026-11-24 12:30
            tomorrow evening 7 = 2026-11-25 19:00 | number
            monday afternoon 3 = 2026-11-30 15:00 | number
            tonight 7 = 2026-11-24 19:00 | number
            half 3 = 2026-11-24 14:30 | alone
            quarter past 4 = 2026-11-24 16:15
            ten to 9 = 2026-11-25 08:50 | sent
            6:30 = 2026-11-25 06:30 | alone
            tomorrow 6:30 = 2026-11-25 06:30
            friday 2.30 = 2026-11-27 02:30
            today 4:30 = 2026-11-24 16:30 | sent
            tomorrow @ 3pm = 2026-11-25 15:00
            fri@3pm = 2026-11-27 15:00
            fri, 3 pm = 2026-11-27 15:00
            15:00:00 = 2026-11-24 15:00
            10m = 2026-11-24 10:10 | now
            1.5h = 2026-11-24 11:30 | now
            in 1.5 hours = 2026-11-24 11:30 | now
            in twenty minutes = 2026-11-24 10:20 | now
            in thirty-five days = 2026-12-29
            within two weeks = 2026-12-08
            2 days later = 2026-11-26 | story
            3 days from now = 2026-11-27
            in a few days = 2026-11-27 | loose
            in a couple of hours = 2026-11-24 12:00 | now
            now = 2026-11-24 10:00 | now
            a week today = 2026-12-01
            today week = 2026-12-01
            a week on friday = 2026-12-04
            friday week = 2026-12-04
            week on friday = 2026-12-04 | short
            week after next = 2026-12-07
            month after next = 2027-01-01
            monday after next = 2026-12-07
            monday next = 2026-11-30
            next working day = 2026-11-25
            next business day = 2026-11-25
            fri 27 = 2026-11-27 | number
            friday 27 = 2026-11-27 | number
            fri 9 = 2026-11-27 09:00 | number
            second tuesday in december = 2026-12-08
            3rd wednesday in november = 2027-11-17
            in 3 weeks on monday = 2026-12-14
            monday in 3 weeks = 2026-12-14
            january = 2027-01-01
            in january = 2027-01-01 | loose
            mid december = 2026-12-15
            early december = 2026-12-01
            end of january = 2027-01-31
            start of next week = 2026-11-30
            early next week = 2026-11-30
            middle of next week = 2026-12-02
            end of next week = 2026-12-04
            week 50 = 2026-12-07
            q1 = 2027-01-01
            end of q1 = 2027-03-31
            eoq = 2026-12-31
            end of quarter = 2026-12-31
            eoy = 2026-12-31
            1 january next year = 2027-01-01
            christmas = 2026-12-25
            christmas eve = 2026-12-24
            boxing day = 2026-12-26
            new year's eve = 2026-12-31
            new year = 2027-01-01
            good friday = 2027-03-26
            easter = 2027-03-28
            easter monday = 2027-03-29
            12/24 = 2026-12-24
            24-12 = 2026-12-24 | number
            5-jan = 2027-01-05 | capital
            30-07-2027 = 2027-07-30
            2027.08.09 = 2027-08-09
            2027/aug/10 = 2027-08-10
            20261224 = 2026-12-24 | number
            2026-12-24T15:00 = 2026-12-24 15:00
            by friday = 2026-11-27
            until friday = 2026-11-27
            no later than friday = 2026-11-27
            due friday = 2026-11-27
            before friday = 2026-11-26 | side
            from friday = 2026-11-27
            not before monday = 2026-11-30
            after 5pm = 2026-11-24 17:00
            tomorrow 9-11 = 2026-11-25 09:00
            tomorrow from 9 to 11 = 2026-11-25 09:00
            fri 2-4pm = 2026-11-27 14:00
            14:00 for 90 min = 2026-11-24 14:00 | length
            friday 31 july = 2026-07-31
            tomorrow ten to 9 = 2026-11-25 08:50
            tomorrow 9 to 11 = 2026-11-25 09:00
            5 to 9 = 2026-11-25 08:55 | number
            20 past 8 = 2026-11-25 08:20 | sent
            friday, half past 2 = 2026-11-27 14:30
            Satuday = 2026-11-28 | slip
            novmber 3 = 2027-11-03 | slip
            tommorow = 2026-11-25 | slip
            tomorrow mornign = 2026-11-25 09:00 | slip
            afternon = 2026-11-24 14:00 | slip
            thursday eob = 2026-11-26 17:00
            half an hour = 2026-11-24 10:30 | now
            in 0.5 hours = 2026-11-24 10:30 | now
            2,5h = 2026-11-24 12:30 | now
            1h30 = 2026-11-24 11:30 | now
            1h 30min = 2026-11-24 11:30 | now
            ninety minutes = 2026-11-24 11:30 | now
            in ninety-nine days = 2027-03-03
            in 100 days = 2027-03-04
            end of q4 = 2026-12-31
            q3 2027 = 2027-07-01
            start of q2 = 2027-04-01
            mid-january = 2027-01-15
            mid next month = 2026-12-15
            late january = 2027-01-25
            beginning of march = 2027-03-01 | capital
            middle of the month = 2026-12-15
            end of 2027 = 2027-12-31
            week 1 = 2027-01-04
            week 53 = 2026-12-28
            wk 3 2027 = 2027-01-18 | loose
            first quarter = 2027-01-01
            1st jan = 2027-01-01
            31st = 2026-12-31
            dec 31st 2026 = 2026-12-31
            31.12 = 2026-12-31
            31.12. = 2026-12-31
            31.12.26 = 2026-12-31
            2026.12.31 = 2026-12-31
            2026-12-31 23:59 = 2026-12-31 23:59
            2026-12-31T23:59:00Z = 2026-12-31 23:59
            2026-12-31 15:00 UTC = 2026-12-31 15:00
            3pm CET = 2026-11-24 14:00 | alone
            9:30 EST = 2026-11-24 14:30 | alone
            tomorrow 15:00 UTC = 2026-11-25 15:00
            15:00 for 2 hours = 2026-11-24 15:00 | length
            10-12 tomorrow = 2026-11-25 10:00
            10am-12pm friday = 2026-11-27 10:00
            friday 10–12 = 2026-11-27 10:00
            friday 9:30-11 = 2026-11-27 09:30
            friday from 14:00 until 15:30 = 2026-11-27 14:00
            between 2 and 4 tomorrow = 2026-11-25 14:00
            tomorrow 22:00-01:00 = 2026-11-25 22:00
            fri 11-1 = 2026-11-27 11:00
            friday at 9-5 = 2026-11-27 09:00
            monday 8 = 2026-11-30 08:00 | number
            mon 21 = 2026-12-21 | number
            fri 13 = 2026-11-27 13:00 | number
            fri 25 = 2026-12-25 | number
            wed 2 = 2026-11-25 14:00 | number
            tuesday 15 = 2026-12-01 15:00 | number
            today at 5 = 2026-11-24 17:00
            today 9 = 2026-11-24 09:00 | number
            today 9:30 = 2026-11-24 21:30 | sent
            tonight at 11 = 2026-11-24 23:00
            tonight 11:30 = 2026-11-24 23:30
            this evening 7:30 = 2026-11-24 19:30
            tomorrow 7:30pm = 2026-11-25 19:30
            tomorrow at 7:30 = 2026-11-25 07:30
            tomorrow 07:30 = 2026-11-25 07:30
            noon friday = 2026-11-27 12:00
            friday at noon = 2026-11-27 12:00
            midnight tomorrow = 2026-11-26 00:00 | midnight
            monday eod = 2026-11-30 17:00
            eod tomorrow = 2026-11-25 17:00
            cob = 2026-11-24 17:00
            before 3pm = 2026-11-24 15:00
            before monday = 2026-11-27 | side
            before christmas = 2026-12-24 | side
            before next week = 2026-11-27 | side
            before end of month = 2026-11-27 | side
            after friday = 2026-11-30 | side
            after the weekend = 2026-11-30 | side
            after monday 3pm = 2026-11-30 15:00
            not later than 5 dec = 2026-12-05
            no later than tomorrow noon = 2026-11-25 12:00
            friday at the latest = 2026-11-27 | side
            friday latest = 2026-11-27 | side
            from next week = 2026-11-30
            starting tomorrow = 2026-11-25
            due tomorrow 5pm = 2026-11-25 17:00
            weekend after next = 2026-12-12
            year after next = 2028-01-01
            this month = 2026-11-30 | loose
            this quarter = 2026-12-31 | loose
            this year = 2026-12-31 | loose
            a week ago = 2026-11-17
            3 weeks from today = 2026-12-15
            2 weeks from next monday = 2026-12-14
            two days before christmas = 2026-12-23 | capital
            the day before christmas = 2026-12-24 | capital
            day before friday = 2026-11-26
            a day after tomorrow = 2026-11-26
            easter 2028 = 2028-04-16
            christmas 2027 = 2027-12-25
            new years eve = 2026-12-31
            halloween = 2027-10-31
            valentines day = 2027-02-14
            pentecost = 2027-05-16
            ascension day = 2027-05-06
            next christmas = 2026-12-25 | capital
            1 january 2028 = 2028-01-01
            1st of next month = 2026-12-01
            1st of january next year = 2027-01-01
            first of december = 2026-12-01
            on the second = 2026-12-02 | number
            the third = 2026-12-03 | number
            second = 2026-12-02 | number
            friday the 13th = 2027-08-13
            monday 30th = 2026-11-30
            thu 31 dec = 2026-12-31
            saturday 26 december 2026 = 2026-12-26
            TABLE;
        foreach (explode("\n", $table) as $line) {
            [$phrase, $rest] = explode(' = ', $line, 2);
            [$reading, $why] = explode(' | ', $rest, 2) + [1 => ''];
            yield $phrase => [$phrase, $reading, $why];
        }
    }

    #[DataProvider('phrases')]
    public function testBothReadTheSame(string $phrase, string $expected, string $why): void
    {
        $reading = (new WhenReader())->read(
            $phrase,
            Moment::at(LocalDate::parse('2026-11-24'), TimeOfDay::parse('10:00'), Moment::zone('Europe/Lisbon')),
        );
        self::assertSame($expected, trim($reading->date.' '.$reading->time()));

        $found = $this->inSentences(new Spotter(), $phrase);
        if ('' === $why) {
            self::assertContains($expected, $found);
        } else {
            self::assertArrayHasKey($why, self::WHY_ONLY_THE_FIELD);
            self::assertNotContains($expected, $found, 'A letter is read like that as well: '.self::WHY_ONLY_THE_FIELD[$why]);
        }
    }

    /** The person's week and day marks hold in letters, too. */
    public function testLettersAreReadInThePersonsWeek(): void
    {
        $settings = new TimeSettings(week: new Week(7, [1, 2, 3, 4, 7]), marks: [DayMark::Evening->value => '19:00']);
        foreach ([
            'end of the week' => '2026-11-26',
            'in 3 working days' => '2026-11-29',
            'tomorrow evening' => '2026-11-25 19:00',
            'next week' => '2026-11-29',
        ] as $phrase => $expected) {
            self::assertContains($expected, $this->inSentences(new Spotter($settings), $phrase), $phrase);
            $reading = (new WhenReader($settings))->read(
                $phrase,
                Moment::at(LocalDate::parse('2026-11-24'), TimeOfDay::parse('10:00'), Moment::zone('Europe/Lisbon')),
            );
            self::assertSame($expected, trim($reading->date.' '.$reading->time()), $phrase);
        }
    }

    /** @return iterable<array{string, string}> */
    public static function prose(): iterable
    {
        yield ['Friday (27 November) at ten', '2026-11-27 10:00'];
        yield ['Friday, 27 November, 14:00-15:30', '2026-11-27 14:00'];
        yield ['4-6 December', '2026-12-04'];
        yield ['4 and 5 December', '2026-12-04'];
        yield ['Monday 7 to Wednesday 9 December', '2026-12-07'];
        yield ['between 2 and 4 on Friday', '2026-11-27 14:00'];
        yield ['within 48 hours', '2026-11-26'];
        yield ['in the next 10 days', '2026-12-04'];
        yield ['tonight at eight', '2026-11-24 20:00'];
        yield ['this evening', '2026-11-24 18:00'];
        yield ['Dec. 4', '2026-12-04'];
        yield ['Thursday 31 July', '2027-07-31'];
        yield ['by 31 dec', '2026-12-31'];
        yield ['on Friday at 3', '2026-11-27 15:00'];
        yield ['Friday the 13th', '2027-08-13'];
        yield ['29 February', '2028-02-29'];
    }

    #[DataProvider('prose')]
    public function testWhatOnlyLettersSay(string $words, string $expected): void
    {
        self::assertSame([$expected], self::told((new Spotter())->in('Well, '.$words.'.')));
    }

    public function testWhatOnlyLooksLikeATime(): void
    {
        $prose = 'I may march on. He sat down for a second, the 2nd floor, the 15th edition. Version 2.10 and 3/4 inch and 24/7. At 3 '
            .'places we had 2 weeks. In May, 20 people came.'
            .' See 1,234.56 or 020-7946-0018 or page 12:34:56:78. The Sunday Times, every Friday, Black Friday, the Christmas tree. Two '
            .'days later he went. In 2019 we were 3 a day.';
        self::assertSame([], self::told((new Spotter())->in($prose)));
    }

    /** Zones by their abbreviation; those that mean several are told by where the one who writes is. */
    public function testTimesInAZone(): void
    {
        $zone = static fn (string $words, int $offset): string => (new Spotter(offset: $offset))
            ->in($words)[0]->clock?->zone?->getName() ?? '';
        self::assertSame(['-05:00', 'UTC', '+01:00'], [$zone('at 9:30 EST', 0), $zone('15:00 UTC', 0), $zone('3 pm CET', 0)]);
        self::assertSame(['-06:00', '+08:00'], [$zone('3 pm CST', -300), $zone('3 pm CST', 480)]);
        self::assertSame(['+05:30', '+01:00'], [$zone('3 pm IST', 330), $zone('3 pm IST', 60)]);
        $reading = (new WhenReader())->read(
            'tomorrow 9:30 EST',
            Moment::at(LocalDate::parse('2026-11-24'), TimeOfDay::parse('10:00'), Moment::zone('Europe/Lisbon')),
        );
        self::assertSame('Wed 25 Nov 2026, 14:30', $reading->text());
    }

    /** However much of the same somebody writes, it is looked at in bounds. */
    public function testALongTextIsReadInBounds(): void
    {
        foreach ([
            'a',
            '1',
            '.',
            '>',
            '-',
            "\n",
            'by by by ',
            'friday friday ',
            'in 3 days ',
            'between 2 and ',
            '12:',
            '1.',
            'day after ',
            'first monday of ',
            'one two ',
        ] as $piece) {
            $text = str_repeat($piece, intdiv(1_000_000, \strlen($piece)));
            $words = Lexemes::ofProse($text);
            self::assertLessThanOrEqual(20_000, $words->count(), $piece);
            $spotter = new Spotter();
            $spotter->in($text);
            $spotter->in($text);
            self::assertLessThanOrEqual(250_000, $spotter->looks(), $piece);
        }
    }

    /** @return list<string> */
    private function inSentences(Spotter $spotter, string $phrase): array
    {
        $found = [];
        foreach (self::SENTENCES as $sentence) {
            $end = mb_strlen(strstr($sentence, '%s', true) ?: '') + mb_strlen($phrase);
            array_push(
                $found,
                ...self::told(array_values(array_filter(
                    $spotter->in(\sprintf($sentence, ucfirst($phrase))),
                    static fn (Spot $spot): bool => $spot->to === $end,
                ))),
            );
        }

        return $found;
    }

    /**
     * @param list<Spot> $spots
     *
     * @return list<string>
     */
    private static function told(array $spots): array
    {
        return array_map(
            static fn (Spot $spot): string => trim($spot->day->ahead(LocalDate::parse('2026-11-24')).' '.$spot->clock?->time),
            $spots,
        );
    }
}

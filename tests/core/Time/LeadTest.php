<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Time;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\LeadReader;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Span;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Time\Unreadable;
use ZippyTray\Core\Time\Week;

final class LeadTest extends TestCase
{
    /** @return iterable<array{string, string, string, string}> phrase, canonical text, for Fri 27 Nov 2026, for 15:00 on it */
    public static function leads(): iterable
    {
        yield ['2 days before', '2 days before', 'Wed 25 Nov 2026, 09:00', 'Wed 25 Nov 2026, 15:00'];
        yield ['1h before', '1 hour before', 'Fri 27 Nov 2026, 08:00', 'Fri 27 Nov 2026, 14:00'];
        yield ['the morning before', 'the morning before', 'Thu 26 Nov 2026, 09:00', 'Thu 26 Nov 2026, 09:00'];
        yield ['3 working days before at 9', '3 working days before at 09:00', 'Tue 24 Nov 2026, 09:00', 'Tue 24 Nov 2026, 09:00'];
        yield ['at the time', 'at the time', 'Fri 27 Nov 2026, 09:00', 'Fri 27 Nov 2026, 15:00'];
        yield ['on the day', 'on the day in the morning', 'Fri 27 Nov 2026, 09:00', 'Fri 27 Nov 2026, 09:00'];
        yield ['on the day at 8', 'on the day at 08:00', 'Fri 27 Nov 2026, 08:00', 'Fri 27 Nov 2026, 08:00'];
        yield ['the day before', '1 day before', 'Thu 26 Nov 2026, 09:00', 'Thu 26 Nov 2026, 15:00'];
        yield ['a week before', '1 week before', 'Fri 20 Nov 2026, 09:00', 'Fri 20 Nov 2026, 15:00'];
        yield ['5 working days before', '5 working days before', 'Fri 20 Nov 2026, 09:00', 'Fri 20 Nov 2026, 15:00'];
        yield ['the evening before', 'the evening before', 'Thu 26 Nov 2026, 18:00', 'Thu 26 Nov 2026, 18:00'];
        yield ['9am the day before', '1 day before at 09:00', 'Thu 26 Nov 2026, 09:00', 'Thu 26 Nov 2026, 09:00'];
        yield ['2 days before the start', '2 days before the start', 'Wed 25 Nov 2026, 09:00', 'Wed 25 Nov 2026, 15:00'];
        yield ['1 day and 2 hours before', '1 day and 2 hours before', 'Thu 26 Nov 2026, 07:00', 'Thu 26 Nov 2026, 13:00'];
        yield ['1 month before at noon', '1 month before at noon', 'Tue 27 Oct 2026, 12:00', 'Tue 27 Oct 2026, 12:00'];
        yield ['1 day after', '1 day after', 'Sat 28 Nov 2026, 09:00', 'Sat 28 Nov 2026, 15:00'];
        yield ['half an hour before', '30 minutes before', 'Fri 27 Nov 2026, 08:30', 'Fri 27 Nov 2026, 14:30'];
    }

    #[DataProvider('leads')]
    public function testALeadIsCountedFromItsDue(string $phrase, string $text, string $forDay, string $forMoment): void
    {
        $lead = (new LeadReader())->read($phrase);
        $zone = Moment::zone('Europe/Lisbon');
        $day = LocalDate::parse('2026-11-27');
        self::assertSame($text, $lead->text());
        self::assertSame($forDay, $lead->moment(Due::onDay($day), $zone, new TimeSettings())?->text());
        self::assertSame($forMoment, $lead->moment(Due::at($day, TimeOfDay::parse('15:00'), $zone), $zone, new TimeSettings())?->text());
    }

    public function testHoursPassDaysAreCounted(): void
    {
        $zone = Moment::zone('Europe/Berlin');
        $due = Due::at(LocalDate::parse('2026-03-29'), TimeOfDay::parse('09:00'), $zone);
        self::assertSame(
            'Sat 28 Mar 2026, 09:00',
            (new LeadReader())->read('1 day before')->moment($due, $zone, new TimeSettings())?->text(),
        );
        self::assertSame(
            'Sat 28 Mar 2026, 08:00',
            (new LeadReader())->read('24 hours before')->moment($due, $zone, new TimeSettings())?->text(),
        );
    }

    public function testMarksAreThePersonsOwn(): void
    {
        $lead = (new LeadReader(new TimeSettings(marks: ['morning' => '06:00'])))->read('the morning before');
        self::assertSame(
            'Thu 26 Nov 2026, 07:15',
            $lead->moment(
                Due::onDay(LocalDate::parse('2026-11-27')),
                Moment::zone('UTC'),
                new TimeSettings(marks: ['morning' => '07:15']),
            )?->text(),
        );
    }

    /** @return iterable<array{string, int}> */
    public static function noLeads(): iterable
    {
        yield ['', 0];
        yield ['2 days', 2];
        yield ['2 days bfor', 7];
        yield ['before', 0];
        yield ['friday', 0];
        yield ['0 days before', 0];
        yield ['2 days before friday', 14];
        yield ['at the time at 9', 15];
        yield [str_repeat('2 days before ', 20), 200];
    }

    #[DataProvider('noLeads')]
    public function testWhatIsNoLeadIsRefusedAtTheWord(string $phrase, int $offset): void
    {
        try {
            (new LeadReader())->read($phrase);
            self::fail($phrase);
        } catch (Unreadable $problem) {
            self::assertSame($offset, $problem->offset, $problem->getMessage());
        }
    }

    public function testWorkingDaysHeldAgainstCountingThem(): void
    {
        foreach ([[1, 2, 3, 4, 5], [7], [1, 3, 6], [1, 2, 3, 4, 5, 6, 7]] as $workingDays) {
            $week = new Week(1, $workingDays);
            for ($start = LocalDate::parse('2026-11-23'), $day = 0; $day < 7; ++$day, $start = $start->plusDays(1)) {
                foreach ([1, -1] as $direction) {
                    for ($counted = $start, $count = 1; $count < 25; ++$count) {
                        do {
                            $counted = $counted->plusDays($direction);
                        } while (!\in_array($counted->weekday(), $workingDays, true));
                        self::assertSame((string) $counted, (string) $week->plusWorkingDays($start, $direction * $count));
                    }
                }
            }
        }
    }

    public function testSpansInWords(): void
    {
        foreach ([
            '1 year and 6 months' => new Span(months: 18),
            '2 weeks' => new Span(days: 14),
            '10 days' => new Span(days: 10),
            '1 month, 1 day and 1 minute' => new Span(months: 1, days: 1, minutes: 1),
            '3 working days' => new Span(workingDays: 3),
            '2 hours and 30 minutes' => new Span(minutes: 150),
            '0 minutes' => new Span(),
        ] as $text => $span) {
            self::assertSame($text, $span->text());
        }
    }

    /** @return iterable<array{callable(): object, string}> */
    public static function refusedSettings(): iterable
    {
        yield [static fn (): Week => new Week(8), 'weekStart'];
        yield [static fn (): Week => new Week(1, []), 'workingDays'];
        yield [static fn (): Week => new Week(1, [3, 9]), 'workingDays'];
        yield [static fn (): TimeSettings => new TimeSettings(marks: ['morning' => '13:00']), 'marks'];
        yield [static fn (): TimeSettings => new TimeSettings(marks: ['evening' => '16:00']), 'marks'];
        yield [static fn (): TimeSettings => new TimeSettings(marks: ['morning' => 'early']), 'time'];
    }

    /** @param callable(): object $make */
    #[DataProvider('refusedSettings')]
    public function testSettingsThatCannotBeAreRefused(callable $make, string $field): void
    {
        try {
            $make();
            self::fail($field);
        } catch (Refused $refused) {
            self::assertSame($field, $refused->field);
        }
    }

    public function testSettingsSurviveStorage(): void
    {
        $settings = new TimeSettings(false, new Week(7, [1, 2, 3, 4]), ['morning' => '08:15', 'tonight' => '22:00']);
        self::assertEquals($settings, TimeSettings::fromState($settings->state()));
        self::assertSame('08:15', (string) $settings->at(DayMark::Morning));
        self::assertSame('17:00', (string) $settings->at(DayMark::EndOfDay));
    }
}

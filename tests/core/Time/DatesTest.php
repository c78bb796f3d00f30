<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Time;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;

final class DatesTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function noDates(): iterable
    {
        foreach (['', '2026-02-29', '2026-13-01', '26-11-24', '2026-11-24T10:00', "2026-11-24\n", 'tomorrow'] as $text) {
            yield json_encode($text, \JSON_THROW_ON_ERROR) => [$text];
        }
    }

    #[DataProvider('noDates')]
    public function testWhatIsNoDateIsRefused(string $text): void
    {
        $this->expectException(Refused::class);
        LocalDate::parse($text);
    }

    /** @return iterable<string, array{string}> */
    public static function noTimes(): iterable
    {
        foreach (['', '24:00', '9:00', '12:60', '12:00:00', "12:00\n"] as $text) {
            yield json_encode($text, \JSON_THROW_ON_ERROR) => [$text];
        }
    }

    #[DataProvider('noTimes')]
    public function testWhatIsNoTimeIsRefused(string $text): void
    {
        $this->expectException(Refused::class);
        TimeOfDay::parse($text);
    }

    /** @return iterable<string, array{string, string, string, string}> day, time, zone, instant */
    public static function clockChanges(): iterable
    {
        yield 'an hour that is skipped moves on by the gap' => ['2026-03-29', '01:30', 'Europe/Dublin', '2026-03-29T01:30:00+00:00'];
        yield 'in Berlin' => ['2026-03-29', '02:30', 'Europe/Berlin', '2026-03-29T01:30:00+00:00'];
        yield 'in New York' => ['2026-03-08', '02:15', 'America/New_York', '2026-03-08T07:15:00+00:00'];
        yield 'half an hour on Lord Howe Island' => ['2026-10-04', '02:10', 'Australia/Lord_Howe', '2026-10-03T15:40:00+00:00'];
        yield 'an hour that occurs twice means the first' => ['2026-10-25', '02:30', 'Europe/Berlin', '2026-10-25T00:30:00+00:00'];
        yield 'in New York too' => ['2026-11-01', '01:30', 'America/New_York', '2026-11-01T05:30:00+00:00'];
        yield 'an ordinary day' => ['2026-11-24', '09:00', 'Asia/Kathmandu', '2026-11-24T03:15:00+00:00'];
    }

    #[DataProvider('clockChanges')]
    public function testLocalTimesAtClockChanges(string $day, string $time, string $zone, string $instant): void
    {
        $moment = Moment::at(LocalDate::parse($day), TimeOfDay::parse($time), new \DateTimeZone($zone));
        self::assertSame($instant, $moment->instant->format(\DATE_ATOM));
    }

    /** @return iterable<string, array{Due, string, bool}> due, now, over */
    public static function dues(): iterable
    {
        $zone = new \DateTimeZone('Europe/Dublin');
        $day = Due::onDay(LocalDate::parse('2026-11-24'));
        $time = Due::at(LocalDate::parse('2026-11-24'), TimeOfDay::parse('15:00'), $zone);
        yield 'a day is not over while it lasts' => [$day, '2026-11-24T23:59:59Z', false];
        yield 'a day is over when the next begins' => [$day, '2026-11-25T00:00:00Z', true];
        yield 'a time is not over at that moment' => [$time, '2026-11-24T15:00:00Z', false];
        yield 'a time is over after it' => [$time, '2026-11-24T15:00:01Z', true];
    }

    #[DataProvider('dues')]
    public function testWhenADueIsOver(Due $due, string $now, bool $over): void
    {
        self::assertSame($over, $due->isOver(new \DateTimeImmutable($now), new \DateTimeZone('Europe/Dublin')));
        self::assertEquals($due, Due::fromState($due->state()));
    }

    public function testATimeKeepsItsInstantWhenThePersonTravelsAndADayKeepsItsDay(): void
    {
        $tokyo = new \DateTimeZone('Asia/Tokyo');
        $late = Due::at(LocalDate::parse('2026-11-24'), TimeOfDay::parse('20:00'), new \DateTimeZone('Europe/Dublin'));
        self::assertSame('2026-11-25', (string) $late->dayIn($tokyo));
        self::assertSame('2026-11-24', (string) Due::onDay(LocalDate::parse('2026-11-24'))->dayIn($tokyo));
    }

    public function testDaysAreCountedAcrossMonthsLeapDaysAndYears(): void
    {
        self::assertSame('2028-02-29', (string) LocalDate::parse('2028-02-28')->plusDays(1));
        self::assertSame('2027-01-01', (string) LocalDate::parse('2026-12-31')->plusDays(1));
        self::assertSame(366, LocalDate::parse('2028-01-01')->daysUntil(LocalDate::parse('2029-01-01')));
        self::assertSame(-1, LocalDate::parse('2026-11-24')->daysUntil(LocalDate::parse('2026-11-23')));
        self::assertSame(7, LocalDate::parse('2026-11-29')->weekday());
    }

    /** Held against what PHP says of days. */
    public function testDaysAreCountedAsInTheCalendar(): void
    {
        mt_srand(6);
        for ($case = 0; $case < 3000; ++$case) {
            $date = LocalDate::on(mt_rand(2, 9998), mt_rand(1, 12), mt_rand(1, 28));
            self::assertNotNull($date);
            $days = mt_rand(-40, 40);
            $same = new \DateTimeImmutable("{$date} 12:00", new \DateTimeZone('UTC'));
            self::assertSame(
                [
                    $same->format('N'),
                    $same->modify("{$days} days")->format('Y-m-d'),
                    $same->modify('last day of this month')->format('Y-m-d'),
                ],
                [(string) $date->weekday(), (string) $date->plusDays($days), (string) $date->endOfMonth()],
                "{$date} and {$days} days",
            );
        }
    }
}

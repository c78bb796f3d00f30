<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Time;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Time\SnoozeChoice;

final class SnoozeChoiceTest extends TestCase
{
    /** @return iterable<string, array{SnoozeChoice, string, string, string|null}> choice, now, zone, expected */
    public static function choices(): iterable
    {
        yield 'three hours on, to the quarter' => [SnoozeChoice::LaterToday, '2026-11-24T10:01:00Z', 'UTC', 'Tue 24 Nov 2026, 13:15'];
        yield 'a quarter stays' => [SnoozeChoice::LaterToday, '2026-11-24T10:00:00Z', 'UTC', 'Tue 24 Nov 2026, 13:00'];
        yield 'late in the evening it is no longer today' => [SnoozeChoice::LaterToday, '2026-11-24T20:46:00Z', 'UTC', null];
        yield 'the last one of the day' => [SnoozeChoice::LaterToday, '2026-11-24T20:45:00Z', 'UTC', 'Tue 24 Nov 2026, 23:45'];
        yield 'today is the person\'s' => [SnoozeChoice::LaterToday, '2026-11-24T10:00:00Z', 'Pacific/Auckland', null];
        yield 'tomorrow morning' => [SnoozeChoice::TomorrowMorning, '2026-11-24T10:00:00Z', 'Europe/Berlin', 'Wed 25 Nov 2026, 09:00'];
        yield 'tomorrow just after midnight' => [SnoozeChoice::TomorrowMorning, '2026-11-24T23:30:00Z', 'Europe/Berlin', 'Thu 26 Nov 2026, 09:00'];
        yield 'over the end of the year' => [SnoozeChoice::TomorrowMorning, '2026-12-31T10:00:00Z', 'UTC', 'Fri 1 Jan 2027, 09:00'];
        yield 'next Monday on a Tuesday' => [SnoozeChoice::NextMonday, '2026-11-24T10:00:00Z', 'UTC', 'Mon 30 Nov 2026, 09:00'];
        yield 'next Monday on a Monday' => [SnoozeChoice::NextMonday, '2026-11-23T10:00:00Z', 'UTC', 'Mon 30 Nov 2026, 09:00'];
        yield 'next Monday on a Sunday' => [SnoozeChoice::NextMonday, '2026-11-29T10:00:00Z', 'UTC', 'Mon 30 Nov 2026, 09:00'];
    }

    #[DataProvider('choices')]
    public function testMoments(SnoozeChoice $choice, string $now, string $zone, ?string $expected): void
    {
        self::assertSame($expected, $choice->moment(new \DateTimeImmutable($now), new \DateTimeZone($zone))?->text());
    }

    public function testEveryChoiceIsStillToComeAtEveryHourOfAYear(): void
    {
        foreach (['UTC', 'Europe/Dublin', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kathmandu'] as $name) {
            $zone = new \DateTimeZone($name);
            for ($now = new \DateTimeImmutable('2026-01-01T00:07:00Z'); $now < new \DateTimeImmutable('2027-01-01'); $now = $now->modify('+5 hours')) {
                foreach (SnoozeChoice::cases() as $choice) {
                    $moment = $choice->moment($now, $zone);
                    self::assertTrue(null === $moment || $moment->isAfter($now), $choice->value.' at '.$now->format('c').' in '.$name);
                }
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda\Event;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\AgendaSettings;
use ZippyTray\Core\Agenda\Event\FreeTimes;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Week;

final class FreeTimesTest extends TestCase
{
    /** @return iterable<string, array{string, int, list<array{string, string}>, string, string}> meant, minutes, taken, now, near */
    public static function times(): iterable
    {
        yield 'as it was meant' => ['2026-11-25 10:00', 60, [], '2026-11-24 10:00', '25 09:30, 25 10:00, 25 10:30'];
        yield 'beside what takes place' => ['2026-11-25 10:00', 60, [['2026-11-25 09:30', '2026-11-25 11:00']], '2026-11-24 10:00',
            '25 11:00, 25 11:30, 25 12:00'];
        yield 'before and behind' => ['2026-11-25 13:00', 60, [['2026-11-25 12:00', '2026-11-25 14:00']], '2026-11-24 10:00',
            '25 11:00, 25 14:00, 25 14:30'];
        yield 'on another day' => ['2026-11-25 10:00', 420, [['2026-11-25 12:00', '2026-11-25 13:00']], '2026-11-24 12:00',
            '26 09:00, 26 09:30, 26 10:00'];
        yield 'over a weekend' => ['2026-11-27 16:00', 60, [['2026-11-26 00:00', '2026-11-28 00:00']], '2026-11-26 10:00',
            '30 09:00, 30 09:30, 30 10:00'];
        yield 'not in the past' => ['2026-11-25 10:00', 60, [], '2026-11-25 10:00', '25 10:30, 25 11:00, 25 11:30'];
        yield 'longer than a day' => ['2026-11-25 10:00', 600, [], '2026-11-24 10:00', ''];
        yield 'of no length' => ['2026-11-25 10:00', 0, [], '2026-11-24 10:00', ''];
    }

    /** @param list<array{string, string}> $taken */
    #[DataProvider('times')]
    public function testWhenThereIsTime(string $meant, int $minutes, array $taken, string $now, string $near): void
    {
        $free = new FreeTimes(new AgendaSettings(), new Week());
        $found = $free->near(self::moment($meant), $minutes, array_map(
            static fn (array $one): array => [
                self::moment($one[0])->instant->getTimestamp(),
                self::moment($one[1])->instant->getTimestamp(),
            ],
            $taken,
        ), self::moment($now));
        self::assertSame($near, implode(', ', array_map(
            static fn (Moment $one): string => $one->instant->setTimezone($one->zone)->format('d H:i'),
            $found,
        )));
    }

    private static function moment(string $text): Moment
    {
        [$date, $time] = explode(' ', $text);

        return Moment::at(LocalDate::parse($date), TimeOfDay::parse($time), new \DateTimeZone('Europe/Dublin'));
    }
}

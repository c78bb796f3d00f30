<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\AgendaSettings;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Week;

final class AgendaSettingsTest extends TestCase
{
    /** @return iterable<string, array{AgendaSettings, string, int, int}> day, minutes taken, minutes there; the 24th is a Tuesday */
    public static function days(): iterable
    {
        $own = new AgendaSettings([2 => ['from' => '08:30', 'to' => '12:00'], 6 => ['from' => '20:00', 'to' => '00:00']], 0);
        yield 'as usual' => [new AgendaSettings(keptFree: 0), '2026-11-24', 0, 480];
        yield 'on a Sunday' => [new AgendaSettings(keptFree: 0), '2026-11-29', 0, 0];
        yield 'with a share kept free' => [new AgendaSettings(keptFree: 25), '2026-11-24', 0, 360];
        yield 'with something fixed' => [new AgendaSettings(keptFree: 25), '2026-11-24', 80, 300];
        yield 'with more fixed than there is' => [new AgendaSettings(), '2026-11-24', 600, 0];
        yield 'hours of one\'s own' => [$own, '2026-11-24', 0, 210];
        yield 'a day off' => [$own, '2026-11-25', 0, 0];
        yield 'until midnight' => [$own, '2026-11-28', 0, 240];
        yield 'no hours at all' => [new AgendaSettings([]), '2026-11-24', 0, 0];
    }

    #[DataProvider('days')]
    public function testWhatIsThereOnADay(AgendaSettings $settings, string $day, int $taken, int $there): void
    {
        self::assertSame($there, $settings->there(LocalDate::parse($day), new Week(), $taken));
        self::assertEquals($settings, AgendaSettings::fromState($settings->state()));
    }

    /** @return iterable<string, array{\Closure(): AgendaSettings}> */
    public static function nonsense(): iterable
    {
        yield 'backwards' => [static fn (): AgendaSettings => new AgendaSettings([1 => ['from' => '17:00', 'to' => '09:00']])];
        yield 'nothing' => [static fn (): AgendaSettings => new AgendaSettings([1 => ['from' => '09:00', 'to' => '09:00']])];
        yield 'no time' => [static fn (): AgendaSettings => new AgendaSettings([1 => ['from' => '9', 'to' => '17:00']])];
        yield 'no day' => [static fn (): AgendaSettings => new AgendaSettings([8 => ['from' => '09:00', 'to' => '17:00']])];
        yield 'all kept free' => [static fn (): AgendaSettings => new AgendaSettings(keptFree: 100)];
        yield 'less than nothing kept free' => [static fn (): AgendaSettings => new AgendaSettings(keptFree: -1)];
        yield 'four days' => [static fn (): AgendaSettings => new AgendaSettings(days: 4)];
        yield 'shown backwards' => [static fn (): AgendaSettings => new AgendaSettings(from: '19:00', to: '07:00')];
    }

    /** @param \Closure(): AgendaSettings $make */
    #[DataProvider('nonsense')]
    public function testWhatCannotBe(\Closure $make): void
    {
        try {
            $make();
            self::fail('It was taken.');
        } catch (Refused $refused) {
            self::assertSame('agenda', $refused->field);
        }
    }
}

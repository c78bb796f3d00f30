<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Agenda;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\AgendaSettings;
use ZippyTray\Core\Refused;

final class AgendaSettingsTest extends TestCase
{
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

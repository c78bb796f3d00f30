<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Settings;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Agenda\AgendaSettings;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\MailIn\Confirm;
use ZippyTray\Core\MailIn\MailInSettings;
use ZippyTray\Core\Post\PostSettings;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Settings\Profile;
use ZippyTray\Core\Task\TaskSettings;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Time\Week;
use ZippyTray\Core\Tray\ClearingOrder;
use ZippyTray\Core\Tray\Sessions;
use ZippyTray\Core\Tray\TraySettings;

/**
 * Who somebody is, and what they have chosen.
 */
final class ProfileTest extends TestCase
{
    public function testWhatWasNeverChosenIsAsUsual(): void
    {
        $profile = new Profile('Wren', 'Europe/Dublin');
        self::assertSame(['Wren', 'Europe/Dublin', []], [$profile->name(), $profile->timeZone()->getName(), $profile->addresses()]);
        self::assertEquals(
            [new TimeSettings(), new TaskSettings(), new TraySettings(), new PostSettings(), ClearingOrder::Grouped],
            [
                $profile->timeSettings(),
                $profile->taskSettings(),
                $profile->traySettings(),
                $profile->postSettings(),
                $profile->clearingOrder(),
            ],
        );
    }

    public function testEachSubjectIsKept(): void
    {
        $profile = new Profile('Wren', 'Europe/Dublin');
        $time = new TimeSettings(false, new Week(7, [1, 2, 3]), ['morning' => '07:15']);
        $tasks = new TaskSettings(true, taskDue: 'friday');
        $tray = new TraySettings(mailEndsSnooze: false, nextAfterDeciding: false, sessions: new Sessions(true, ['10:00'], true));
        $agenda = new AgendaSettings([1 => ['from' => '08:00', 'to' => '12:00']], 10, '06:00', '20:00', 3);
        $mailIn = new MailInSettings(false, ['Ada@x.example'], Confirm::Trouble);
        $post = new PostSettings(25, 'Wren', true);
        $before = $profile->state();
        $profile->choose(ClearingOrder::OldestFirst, $time, $tasks, $tray, $post, $mailIn, $agenda);
        self::assertEquals(
            [$time, $tasks, $tray, $post, $mailIn, $agenda, ClearingOrder::OldestFirst],
            [
                $profile->timeSettings(),
                $profile->taskSettings(),
                $profile->traySettings(),
                $profile->postSettings(),
                $profile->mailInSettings(),
                $profile->agendaSettings(),
                $profile->clearingOrder(),
            ],
        );
        self::assertNotSame($before, $profile->state());
        $profile->choosePost(new PostSettings());
        self::assertEquals([$time, new PostSettings()], [$profile->timeSettings(), $profile->postSettings()]);
        $now = new \DateTimeImmutable('2026-11-24T10:00:00Z');
        self::assertEquals([$time, 'Europe/Dublin'], [$profile->speaker($now)->settings, $profile->speaker($now)->now->zone->getName()]);
    }

    public function testAZoneThatNobodyKnowsIsRefusedAndNothingChanges(): void
    {
        $profile = new Profile('Wren', 'Europe/Dublin');
        try {
            $profile->settle('Wren H.', 'Atlantis/Harbour');
            self::fail('There is no such zone.');
        } catch (Refused) {
            self::assertSame('Europe/Dublin', $profile->timeZone()->getName());
        }
        $profile->settle('Wren H.', 'Asia/Tokyo');
        self::assertSame(['Wren H.', 'Asia/Tokyo'], [$profile->name(), $profile->timeZone()->getName()]);
    }

    public function testEachAddressIsTheirsWhateverItsCapitals(): void
    {
        $profile = new Profile('Wren', 'Europe/Dublin');
        $profile->goBy([' Wren@Home.example', 'wren@home.example ', 'office@ternpoint.example']);
        self::assertSame(['wren@home.example', 'office@ternpoint.example'], $profile->addresses());
        $person = $profile->person('wren@ternpoint.example');
        self::assertSame(['wren@ternpoint.example', 'wren@home.example', 'office@ternpoint.example'], $person->addresses());
        foreach (['WREN@ternpoint.example' => true, 'Wren@home.example' => true, 'tam@home.example' => false] as $email => $is) {
            self::assertSame($is, $person->is(new Address($email, 'Wren')), $email);
        }
        self::assertTrue($person->isAmong([new Address('tam@x.example', ''), new Address('office@ternpoint.example', '')]));
        self::assertFalse($person->isAmong([new Address('tam@x.example', 'Wren')]));
    }

    /** @return iterable<string, array{list<string>}> */
    public static function noAddresses(): iterable
    {
        yield 'a name' => [['wren@home.example', 'wren']];
        yield 'nothing' => [['']];
        yield 'two in one' => [['wren@home.example, tam@home.example']];
        yield 'too many' => [array_map(static fn (int $number): string => "wren{$number}@home.example", range(1, 21))];
    }

    /** @param list<string> $addresses */
    #[DataProvider('noAddresses')]
    public function testWhatIsNoAddressIsRefusedAndTheOthersStay(array $addresses): void
    {
        $profile = new Profile('Wren', 'Europe/Dublin');
        $profile->goBy(['office@ternpoint.example']);
        try {
            $profile->goBy($addresses);
            self::fail('They are no addresses.');
        } catch (Refused $refused) {
            self::assertSame('addresses', $refused->field);
        }
        self::assertSame(['office@ternpoint.example'], $profile->addresses());
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Post;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Post\Digest;
use ZippyTray\Core\Post\Letter;
use ZippyTray\Core\Task\TaskId;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Time\Week;

/**
 * The message to oneself about what a morning brings.
 */
final class DigestTest extends TestCase
{
    public function testItSaysWhatIsDueWhatComesBackAndWhoOwesWhat(): void
    {
        $digest = new Digest('https://tray.ternpoint.example');
        self::assertTrue($digest->isEmpty());
        $digest->due('Order polish', true, new TaskId('t1'));
        $digest->due('Paint the rail', false, new TaskId('t2'));
        $digest->back(TimeOfDay::parse('15:00'), 'Lantern glass', 'c1');
        $digest->owed(new Address('petra@roofs.example', 'Petra'), 'the rota');
        $digest->owed(new Address('olga@roofs.example'), '');
        self::assertFalse($digest->isEmpty());
        $letter = $this->letter($digest);
        self::assertSame('Tuesday 24 November: 2 due, 1 back, 2 owed', $letter->subject);
        self::assertSame(<<<'TEXT'
            Due
            - Order polish (over)
              https://tray.ternpoint.example/tasks/t1
            - Paint the rail
              https://tray.ternpoint.example/tasks/t2

            Comes back
            - 15:00 Lantern glass
              https://tray.ternpoint.example/c/c1

            Owed to you
            - Petra: the rota
              https://tray.ternpoint.example/owed
            - olga@roofs.example
              https://tray.ternpoint.example/owed

            TEXT, $letter->text);
        self::assertEquals([new Address('wren@ternpoint.example', 'Wren')], $letter->to);
    }

    public function testOfOneKindAloneItSaysNoMore(): void
    {
        $digest = new Digest('');
        $digest->back(TimeOfDay::parse('09:00'), 'Rota', 'c');
        self::assertSame(
            ['Tuesday 24 November: 1 back', "Comes back\n- 09:00 Rota\n  /c/c\n"],
            [$this->letter($digest)->subject, $this->letter($digest)->text],
        );
    }

    /** @return iterable<string, array{int, int, string}> */
    public static function lengths(): iterable
    {
        yield 'as many as fit' => [20, 20, ''];
        yield 'one more' => [21, 20, "\n- and 1 more\n"];
        yield 'very many' => [500, 20, "\n- and 480 more\n"];
    }

    #[DataProvider('lengths')]
    public function testALongMorningIsCut(int $tasks, int $shown, string $end): void
    {
        $digest = new Digest('');
        for ($number = 1; $number <= $tasks; ++$number) {
            $digest->due('Task '.$number, false, new TaskId('t'.$number));
        }
        $letter = $this->letter($digest);
        self::assertStringContainsString("{$tasks} due", $letter->subject);
        self::assertSame($shown, substr_count($letter->text, '- Task '));
        '' === $end ? self::assertStringNotContainsString('more', $letter->text) : self::assertStringEndsWith($end, $letter->text);
    }

    /** @return iterable<string, array{string, string, bool}> */
    public static function moments(): iterable
    {
        yield 'before the morning' => ['2026-11-24T08:59:59Z', 'UTC', false];
        yield 'when it begins' => ['2026-11-24T09:00:00Z', 'UTC', true];
        yield 'three hours later' => ['2026-11-24T11:59:59Z', 'UTC', true];
        yield 'past that' => ['2026-11-24T12:00:00Z', 'UTC', false];
        yield 'on a Saturday' => ['2026-11-28T09:30:00Z', 'UTC', false];
        yield 'where the morning is already over' => ['2026-11-24T09:30:00Z', 'Asia/Tokyo', false];
        yield 'where it is Tuesday already' => ['2026-11-23T20:30:00Z', 'Pacific/Auckland', true];
    }

    #[DataProvider('moments')]
    public function testItIsWrittenInTheMorningOfAWorkingDay(string $now, string $zone, bool $is): void
    {
        $here = new Moment(new \DateTimeImmutable($now), new \DateTimeZone($zone));
        self::assertSame($is, Digest::isTime($here, new TimeSettings()));
    }

    public function testWhoWorksOnSaturdaysGetsItThenAtTheirOwnMorning(): void
    {
        $settings = new TimeSettings(week: new Week(1, [6]), marks: ['morning' => '06:30']);
        $at = static fn (string $now): Moment => new Moment(new \DateTimeImmutable($now), new \DateTimeZone('UTC'));
        self::assertTrue(Digest::isTime($at('2026-11-28T06:30:00Z'), $settings));
        self::assertFalse(Digest::isTime($at('2026-11-28T09:30:00Z'), $settings));
        self::assertFalse(Digest::isTime($at('2026-11-24T06:30:00Z'), $settings));
    }

    public function testADayHasOne(): void
    {
        $of = static fn (string $day, string $account = 'a'): string => Digest::header(
            LocalDate::parse($day),
            new AccountId($account),
            'wren@ternpoint.example',
        );
        self::assertSame('digest.2026-11-24.a@ternpoint.example', $of('2026-11-24'));
        self::assertCount(3, array_unique([$of('2026-11-24'), $of('2026-11-24'), $of('2026-11-25'), $of('2026-11-24', 'b')]));
    }

    private function letter(Digest $digest): Letter
    {
        return $digest->letter(new Address('wren@ternpoint.example', 'Wren'), LocalDate::parse('2026-11-24'));
    }
}

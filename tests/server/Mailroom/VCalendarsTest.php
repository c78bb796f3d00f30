<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Server\Mailroom;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Psr\Log\NullLogger;
use ZippyTray\Core\Mail\CalendarEvent;
use ZippyTray\Server\Mailroom\VCalendars;

final class VCalendarsTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, mixed>}> properties, what is read */
    public static function objects(): iterable
    {
        yield 'a request in a zone' => [
            "METHOD:REQUEST\nBEGIN:VEVENT\nUID:1\nDTSTART;TZID=Europe/Berlin:20261127T150000\n"
                ."DTEND;TZID=Europe/Berlin:20261127T160000\nSUMMARY:Roof\nLOCATION:Kitchen\nORGANIZER;CN=Ada:mailto:ada@x.example\n"
                ."ATTENDEE;PARTSTAT=ACCEPTED:mailto:wren@ternpoint.example\nRRULE:FREQ=WEEKLY;COUNT=3\nEND:VEVENT",
            [
                'method' => 'request',
                'start' => '2026-11-27T14:00:00Z',
                'end' => '2026-11-27T15:00:00Z',
                'zone' => 'Europe/Berlin',
                'place' => 'Kitchen',
                'organiser' => 'ada@x.example',
                'rrule' => 'FREQ=WEEKLY;COUNT=3',
            ],
        ];
        yield 'whole days' => [
            "BEGIN:VEVENT\nUID:1\nDTSTART;VALUE=DATE:20261127\nDTEND;VALUE=DATE:20261129\nSUMMARY:Fair\nEND:VEVENT",
            ['method' => '', 'start' => '2026-11-27', 'end' => '2026-11-28', 'zone' => null],
        ];
        yield 'a length' => [
            "BEGIN:VEVENT\nUID:1\nDTSTART:20261127T150000Z\nDURATION:PT45M\nEND:VEVENT",
            ['start' => '2026-11-27T15:00:00Z', 'end' => '2026-11-27T15:45:00Z'],
        ];
        yield 'no zone: that of the one who wrote' => [
            "BEGIN:VEVENT\nUID:1\nDTSTART:20261127T150000\nEND:VEVENT",
            ['start' => '2026-11-27T13:00:00Z', 'end' => null],
        ];
        yield 'taken back' => [
            "METHOD:CANCEL\nBEGIN:VEVENT\nUID:1\nDTSTART:20261127T150000Z\nSTATUS:CANCELLED\nEND:VEVENT",
            ['method' => 'cancel', 'cancelled' => true],
        ];
        yield 'the series, not one of it' => [
            "METHOD:REQUEST\nBEGIN:VEVENT\nUID:1\nRECURRENCE-ID:20261204T150000Z\nDTSTART:20261204T170000Z\nEND:VEVENT\nBEGIN:VEVENT\n"
                ."UID:1\nDTSTART:20261127T150000Z\nRRULE:FREQ=WEEKLY\nEND:VEVENT",
            ['start' => '2026-11-27T15:00:00Z'],
        ];
    }

    /** @param array<string, mixed> $expected */
    #[DataProvider('objects')]
    public function testWhatAnEventSays(string $properties, array $expected): void
    {
        $event = self::read("BEGIN:VCALENDAR\r\nVERSION:2.0\r\n".str_replace("\n", "\r\n", $properties)."\r\nEND:VCALENDAR\r\n");
        self::assertNotNull($event);
        self::assertSame($expected, array_intersect_key($event->jsonSerialize(), $expected));
        self::assertEquals($event, CalendarEvent::fromState($event->jsonSerialize()));
    }

    public function testWhatSomebodyHasSaid(): void
    {
        $event = self::read(
            "BEGIN:VCALENDAR\r\nMETHOD:REPLY\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART:20261127T150000Z\r\n"
                ."ATTENDEE;PARTSTAT=DECLINED:mailto:Wren@ternpoint.example\r\n"
                ."ATTENDEE;PARTSTAT=NEEDS-ACTION:mailto:tam@glass.example\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n",
        );
        self::assertSame(
            ['declined', '', ''],
            [$event?->answerOf('wren@ternpoint.example'), $event?->answerOf('tam@glass.example'), $event?->answerOf('ilse@mirror.example')],
        );
        self::assertTrue($event?->isAnswer());
    }

    public function testWhatCannotBeReadIsNone(): void
    {
        foreach ([
            '',
            'BEGIN:VCALENDAR',
            "BEGIN:VCARD\nEND:VCARD",
            "BEGIN:VCALENDAR\nBEGIN:VTODO\nUID:1\nEND:VTODO\nEND:VCALENDAR",
            "BEGIN:VCALENDAR\nBEGIN:VEVENT\nUID:1\nEND:VEVENT\nEND:VCALENDAR",
            "BEGIN:VCALENDAR\nBEGIN:VEVENT\nDTSTART:never\nEND:VEVENT\nEND:VCALENDAR",
            str_repeat('BEGIN:VEVENT'."\n", 300),
            str_repeat('x', 300_000),
        ] as $bytes) {
            self::assertNull(self::read($bytes), substr($bytes, 0, 60));
        }
    }

    private static function read(string $bytes): ?CalendarEvent
    {
        return (new VCalendars(new NullLogger()))->event($bytes, new \DateTimeZone('+02:00'));
    }
}

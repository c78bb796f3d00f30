<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Time;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Time\Digits;
use ZippyTray\Core\Time\Field\WhenReader;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Core\Tray\Advice\ReadMessage;
use ZippyTray\Tests\Core\Time\Field\Phrases;

final class DigitsTest extends TestCase
{
    /** @return iterable<string, array{string}> the digits from nought to nine */
    public static function scripts(): iterable
    {
        foreach ([
            'arabic' => 0x660,
            'persian' => 0x6F0,
            'devanagari' => 0x966,
            'bengali' => 0x9E6,
            'thai' => 0xE50,
            'full width' => 0xFF10,
            'mathematical' => 0x1D7CE,
        ] as $name => $nought) {
            yield $name => [implode('', array_map(static fn (int $digit): string => mb_chr($nought + $digit), range(0, 9)))];
        }
    }

    #[DataProvider('scripts')]
    public function testDigitsOfAllScriptsAreRead(string $digits): void
    {
        self::assertSame('0123456789', Digits::ascii($digits));
        $write = static fn (string $text): string => strtr($text, mb_str_split($digits));
        self::assertSame(
            'Fri 27 Nov 2026, 15:30',
            Phrases::answer(new WhenReader(), $write('27/11/2026 at 15:30'), Phrases::now('2026-11-24T10:00', 'Europe/Lisbon')),
        );

        $raw = "From: tam@glass.example\nTo: wren@ternpoint.example\nDate: Mon, 23 Nov 2026 08:00:00 +0000\nSubject: Plan\n"
            ."Content-Type: text/plain; charset=utf-8\n\nCould you send me the plan by Thursday at ".$write('3').' pm?';
        $found = (new ReadMessage())(
            Gist::of((new MessageReader())->read($raw, new \DateTimeImmutable('2026-11-24'))),
            new Person('wren@ternpoint.example'),
        );
        self::assertSame(['2026-11-26', '15:00'], [(string) $found->dates[0]->date, (string) $found->dates[0]->time]);
    }

    public function testWhatIsNoDigitStays(): void
    {
        self::assertSame("\u{2462} \u{216b} \u{b2} 12", Digits::ascii("\u{2462} \u{216b} \u{b2} 12"));
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Advice;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Tray\Advice\Adviser;
use ZippyTray\Core\Tray\Advice\Circumstances;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Core\Tray\Advice\Habit;
use ZippyTray\Core\Tray\Advice\ReadMessage;

/**
 * Single sentences: what asks for something and what only sounds like it, what is done at once, and how what is asked is
 * called as a task.
 */
final class PhraseTest extends TestCase
{
    /** @return iterable<string, array{bool, string}> */
    public static function asking(): iterable
    {
        foreach (self::lines('asks.txt') as $line) {
            yield $line => ['+' === $line[0], ltrim(substr($line, 1))];
        }
    }

    #[DataProvider('asking')]
    public function testWhatAsks(bool $isAsking, string $sentence): void
    {
        self::assertSame($isAsking, [] !== self::read($sentence)->requests);
    }

    /** @return iterable<string, array{string, string}> */
    public static function efforts(): iterable
    {
        foreach (self::lines('effort.txt') as $line) {
            [$decision, $sentence] = explode(' ', $line, 2) + [1 => ''];
            yield $line => [$decision, $sentence];
        }
    }

    #[DataProvider('efforts')]
    public function testWhatIsDoneAtOnce(string $decision, string $sentence): void
    {
        $advice = (new Adviser())->advise([self::read($sentence)], new Circumstances(LocalDate::parse('2026-11-24'), Habit::none()));

        self::assertSame($decision, $advice->decision->value);
    }

    /** @return iterable<string, array{string, string}> */
    public static function titles(): iterable
    {
        foreach (self::lines('titles.txt') as $line) {
            [$sentence, $title] = explode(' => ', $line) + [1 => ''];
            yield $sentence => [$sentence, $title];
        }
    }

    #[DataProvider('titles')]
    public function testTitles(string $sentence, string $title): void
    {
        self::assertSame($title, self::read($sentence)->title);
    }

    private static function read(string $sentence): Findings
    {
        $raw = "From: Tam Brightwater <tam@brightwater-glass.example>\nTo: Wren Halloran <wren@ternpoint.example>\nSubject: Slates\n"
            ."Date: Tue, 24 Nov 2026 10:00:00 +0000\nContent-Type: text/plain; charset=utf-8\n\nHi Wren,\n\n{$sentence}\n\nTam\n";

        return (new ReadMessage())(
            Gist::of((new MessageReader())->read($raw, new \DateTimeImmutable('2026-11-24T10:00:00Z'))),
            new Person('wren@ternpoint.example', 'Wren Halloran'),
        );
    }

    /** @return list<string> */
    private static function lines(string $file): array
    {
        return array_values(array_filter(explode("\n", (string) file_get_contents(__DIR__.'/phrases/'.$file))));
    }
}

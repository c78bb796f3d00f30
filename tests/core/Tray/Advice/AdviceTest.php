<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Advice;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Tray\Advice\Adviser;
use ZippyTray\Core\Tray\Advice\Circumstances;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\FoundDate;
use ZippyTray\Core\Tray\Advice\Habit;
use ZippyTray\Core\Tray\Advice\Letter;
use ZippyTray\Core\Tray\Advice\ListItem;
use ZippyTray\Core\Tray\Advice\Person;
use ZippyTray\Core\Tray\Advice\ReadLetter;
use ZippyTray\Core\Tray\Advice\Request;

/**
 * Measures advice against letters that people have labelled by hand, and prints how well it does.
 * What it does today it must do tomorrow.
 */
final class AdviceTest extends TestCase
{
    /** Part => the least precision and recall, or share of right ones. */
    private const FLOORS = ['requests' => [0.99, 0.97], 'dates' => [0.99, 0.98], 'lists' => [0.99, 0.99], 'decisions' => [0.98, 0.98], 'titles' => [0.94, 0.94]];

    public function testItIsAsGoodAsItWas(): void
    {
        $score = new Score();
        $misses = [];
        foreach (LabelledLetters::all() as $name => [$labels, $letter]) {
            $found = self::read($letter);
            $advice = (new Adviser())->advise([$found], new Circumstances($letter->sentAt->date(), Habit::none()));
            $missed = [
                ...$score->one('decisions', explode('|', $labels['decision']), $advice->decision->value),
                ...isset($labels['title']) ? $score->one('titles', [$labels['title']], $advice->title) : [],
                ...isset($labels['requests']) ? $score->many('requests', $labels['requests'], array_map(static fn (Request $request): string => $request->text, $found->requests)) : [],
                ...isset($labels['dates']) ? $score->many('dates', $labels['dates'], array_map(self::date(...), $found->dates)) : [],
                ...isset($labels['list']) ? $score->many('lists', $labels['list'], array_map(static fn (ListItem $item): string => $item->text, $found->items)) : [],
            ];
            if ([] !== $missed) {
                $misses[] = $name."\n    ".implode("\n    ", $missed);
            }
        }
        fwrite(\STDERR, \sprintf("\nAdvice on %d labelled letters\n%s", \count(LabelledLetters::all()), $score->table()));
        foreach (self::FLOORS as $part => [$precision, $recall]) {
            self::assertGreaterThanOrEqual($precision, $score->precision($part), "{$part}\n".implode("\n", $misses));
            self::assertGreaterThanOrEqual($recall, $score->recall($part), "{$part}\n".implode("\n", $misses));
        }
        self::assertGreaterThanOrEqual(80, \count(LabelledLetters::all()));
    }

    public function testWhatIsFoundStandsWhereItIsSaidToStand(): void
    {
        foreach (LabelledLetters::all() as $name => [, $letter]) {
            $found = self::read($letter);
            foreach ([...$found->requests, ...$found->dates, ...$found->items] as $thing) {
                $there = mb_substr($letter->text, $thing->from, $thing->to - $thing->from);
                self::assertSame(0, strpos(self::squeezed($there), self::squeezed($thing->text)), $name);
            }
        }
    }

    public function testFindingsSurviveBeingKept(): void
    {
        foreach (LabelledLetters::all() as $name => [, $letter]) {
            $found = self::read($letter);
            $kept = json_encode($found->state(), \JSON_THROW_ON_ERROR);
            /** @phpstan-ignore argument.type */
            self::assertEquals($found, Findings::fromState((array) json_decode($kept, true, 16, \JSON_THROW_ON_ERROR)), $name);
        }
    }

    public function testTextThatIsTornAnywhereIsReadWithoutHarm(): void
    {
        $letters = array_values(LabelledLetters::all());
        mt_srand(20261124);
        for ($round = 0; $round < 400; ++$round) {
            [, $letter] = $letters[mt_rand(0, \count($letters) - 1)];
            [, $other] = $letters[mt_rand(0, \count($letters) - 1)];
            $text = mb_substr($letter->text, mt_rand(0, 80), mt_rand(0, 300)).["\n", ' ', "\u{202e}", "\0", '…?', "\n> ", '12/'][mt_rand(0, 6)].mb_substr($other->text, mt_rand(0, 200));
            $found = self::read(new Letter($letter->from, [], $letter->to, [], $letter->subject, $letter->sentAt, $text, [], []));
            foreach ([...$found->requests, ...$found->dates, ...$found->items] as $thing) {
                self::assertGreaterThanOrEqual(0, $thing->from);
                self::assertGreaterThan($thing->from, $thing->to);
                self::assertLessThanOrEqual(mb_strlen($text), $thing->to);
            }
            self::assertNotSame('', $found->title);
        }
    }

    private static function read(Letter $letter): Findings
    {
        return (new ReadLetter())($letter, new Person(LabelledLetters::ME));
    }

    private static function date(FoundDate $date): string
    {
        return trim(\sprintf('%s %s %s', $date->kind->value, $date->date, $date->time ?? ''));
    }

    private static function squeezed(string $text): string
    {
        return (string) preg_replace('/\s+/u', '', $text);
    }
}

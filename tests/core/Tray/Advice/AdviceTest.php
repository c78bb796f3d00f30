<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\Tray\Advice;

use PHPUnit\Framework\TestCase;
use ZippyTray\Core\Person\Person;
use ZippyTray\Core\Tray\Advice\Adviser;
use ZippyTray\Core\Tray\Advice\Circumstances;
use ZippyTray\Core\Tray\Advice\Findings;
use ZippyTray\Core\Tray\Advice\FoundDate;
use ZippyTray\Core\Tray\Advice\Gist;
use ZippyTray\Core\Tray\Advice\Habit;
use ZippyTray\Core\Tray\Advice\ListItem;
use ZippyTray\Core\Tray\Advice\ReadMessage;
use ZippyTray\Core\Tray\Advice\Request;

/**
 * Measures advice against letters that people have labelled by hand, and prints how well it does.
 * What it does today it must do tomorrow.
 */
final class AdviceTest extends TestCase
{
    /** Part => the least precision and recall, or share of right ones, of the letters that rules were made for. */
    private const FLOORS = [
        'requests' => [0.98, 0.97],
        'dates' => [0.97, 0.97],
        'lists' => [0.99, 0.99],
        'decisions' => [0.98, 0.98],
        'titles' => [0.94, 0.94],
        'deadlines' => [0.98, 0.98],
        'appointments' => [0.96, 0.97],
    ];

    /** The same of letters that are kept apart: no rule was ever changed for one of them. */
    private const FLOORS_APART = [
        'requests' => [0.86, 0.91],
        'dates' => [0.83, 0.83],
        'decisions' => [0.89, 0.89],
        'deadlines' => [0.84, 0.83],
        'appointments' => [0.87, 0.90],
    ];

    /** Files of these letters begin so. */
    public const APART = 'apart-';

    public function testItIsAsGoodAsItWas(): void
    {
        [$score, $misses, $count] = self::measured(static fn (string $name): bool => !str_starts_with($name, self::APART));
        [$apart, , $countApart] = self::measured(static fn (string $name): bool => str_starts_with($name, self::APART));
        fwrite(
            \STDERR,
            \sprintf(
                "\nAdvice on %d labelled letters\n%s\nOn %d that are kept apart\n%s\n",
                $count,
                $score->table(),
                $countApart,
                $apart->table(),
            ),
        );
        foreach (['decisions', 'requests', 'dates'] as $part) {
            fwrite(
                \STDERR,
                \sprintf(
                    "  %-10s %.1f and %.1f points less\n",
                    $part,
                    100 * ($score->precision($part) - $apart->precision($part)),
                    100 * ($score->recall($part) - $apart->recall($part)),
                ),
            );
        }
        foreach (self::FLOORS as $part => [$precision, $recall]) {
            self::assertGreaterThanOrEqual($precision, $score->precision($part), "{$part}\n".implode("\n", $misses));
            self::assertGreaterThanOrEqual($recall, $score->recall($part), "{$part}\n".implode("\n", $misses));
        }
        foreach (self::FLOORS_APART as $part => [$precision, $recall]) {
            self::assertGreaterThanOrEqual($precision, $apart->precision($part), $part);
            self::assertGreaterThanOrEqual($recall, $apart->recall($part), $part);
        }
        self::assertGreaterThanOrEqual(1669, $count);
        self::assertGreaterThanOrEqual(833, $countApart);
    }

    /** The worst mistake that there is: of the letters that rules were made for, and of those that are kept apart. */
    public function testWhatAsksIsHardlyEverArchived(): void
    {
        [$asking, $archived] = [['tuned' => 0, 'apart' => 0], ['tuned' => [], 'apart' => []]];
        foreach (LabelledLetters::all() as $name => [$labels, $gist]) {
            if ([] === ($labels['requests'] ?? [])) {
                continue;
            }
            $part = str_starts_with($name, self::APART) ? 'apart' : 'tuned';
            ++$asking[$part];
            $found = self::read($gist);
            $advice = (new Adviser())->advise([$found], new Circumstances($gist->sentAt->date(), Habit::none()));
            if (\in_array($advice->decision->value, ['archive', 'delete'], true)
                && !\in_array($advice->decision->value, explode('|', $labels['decision']), true)) {
                $archived[$part][] = $name;
            }
        }
        foreach ($asking as $part => $all) {
            fwrite(\STDERR, \sprintf("Archived although they ask for something, %s: %d of %d\n", $part, \count($archived[$part]), $all));
        }
        self::assertLessThanOrEqual((int) ceil($asking['tuned'] / 100), \count($archived['tuned']), implode("\n", $archived['tuned']));
        self::assertLessThanOrEqual((int) ceil($asking['apart'] * 5 / 100), \count($archived['apart']));
    }

    /**
     * @param \Closure(string): bool $isMeant by file and name
     *
     * @return array{Score, list<string>, int} the score, what was missed, and how many there were
     */
    private static function measured(\Closure $isMeant): array
    {
        [$score, $misses, $count] = [new Score(), [], 0];
        foreach (LabelledLetters::all() as $name => [$labels, $gist]) {
            if (!$isMeant($name)) {
                continue;
            }
            ++$count;
            $found = self::read($gist);
            $advice = (new Adviser())->advise([$found], new Circumstances($gist->sentAt->date(), Habit::none()));
            $missed = [
                ...$score->one('decisions', explode('|', $labels['decision']), $advice->decision->value),
                ...isset($labels['title']) ? $score->one('titles', [$labels['title']], $advice->title) : [],
                ...isset($labels['requests']) ? $score->many('requests', $labels['requests'], array_map(
                    static fn (Request $request): string => $request->text,
                    $found->requests,
                )) : [],
                ...isset($labels['dates']) ? $score->many('dates', $labels['dates'], array_map(self::date(...), $found->dates)) : [],
                ...self::ofKind($score, 'deadline', $labels, $found),
                ...self::ofKind($score, 'appointment', $labels, $found),
                ...isset($labels['list']) ? $score->many('lists', $labels['list'], array_map(
                    static fn (ListItem $item): string => $item->text,
                    $found->items,
                )) : [],
            ];
            if ([] !== $missed) {
                $misses[] = $name."\n    ".implode("\n    ", $missed);
            }
        }

        return [$score, $misses, $count];
    }

    /**
     * @param array{dates?: list<string>} $labels
     *
     * @return list<string> nothing: what was missed is told with all the dates
     */
    private static function ofKind(Score $score, string $kind, array $labels, Findings $found): array
    {
        $is = static fn (string $date): bool => str_starts_with($date, $kind);
        if (isset($labels['dates'])) {
            $score->many(
                $kind.'s',
                array_values(array_filter($labels['dates'], $is)),
                array_values(array_filter(array_map(self::date(...), $found->dates), $is)),
            );
        }

        return [];
    }

    public function testWhatIsFoundStandsWhereItIsSaidToStand(): void
    {
        foreach (LabelledLetters::all() as $name => [, $gist]) {
            $found = self::read($gist);
            foreach ([...$found->requests, ...$found->dates, ...$found->items] as $thing) {
                $there = mb_substr($gist->text, $thing->from, $thing->to - $thing->from);
                self::assertSame(0, strpos(self::squeezed($there), self::squeezed($thing->text)), $name);
            }
        }
    }

    public function testFindingsSurviveBeingKept(): void
    {
        foreach (LabelledLetters::all() as $name => [, $gist]) {
            $found = self::read($gist);
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
            [, $gist] = $letters[mt_rand(0, \count($letters) - 1)];
            [, $other] = $letters[mt_rand(0, \count($letters) - 1)];
            $text = mb_substr($gist->text, mt_rand(0, 80), mt_rand(0, 300)).[
                "\n",
                ' ',
                "\u{202e}",
                "\0",
                '…?',
                "\n> ",
                '12/',
            ][mt_rand(0, 6)].mb_substr($other->text, mt_rand(0, 200));
            $found = self::read(new Gist($gist->from, [], $gist->to, [], $gist->subject, $gist->sentAt, $text, [], []));
            foreach ([...$found->requests, ...$found->dates, ...$found->items] as $thing) {
                self::assertGreaterThanOrEqual(0, $thing->from);
                self::assertGreaterThan($thing->from, $thing->to);
                self::assertLessThanOrEqual(mb_strlen($text), $thing->to);
            }
            self::assertNotSame('', $found->title);
        }
    }

    private static function read(Gist $gist): Findings
    {
        return (new ReadMessage())($gist, new Person(LabelledLetters::ME));
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

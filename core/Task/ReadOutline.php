<?php

declare(strict_types=1);

namespace ZippyTray\Core\Task;

use ZippyTray\Core\Refused;

/**
 * Reads a written list, one thing to do on each line: numbers, letters, bullets and check boxes before
 * them fall away, and what is indented or numbered deeper lies under what stands before it.
 */
final readonly class ReadOutline
{
    public const LINES = 500;

    private const TAB = 4;

    private const BULLET = '~^(?:[-*•·‣◦–—+>]\s+|(?<number>\d{1,3}(?:\.\d{1,3})+\.?|\(?\d{1,3}[.)])\s+|\(?[a-zA-Z]\)\s+)~u';

    private const BOX = '~^(?:\[(?<mark>[ xX✓✔])?\]|(?<box>[☐☑☒✓✔]))\s*~u';

    /**
     * @return list<Outline>
     *
     * @throws Refused when there is nothing in it, or too much
     */
    public static function of(string $text): array
    {
        $lines = array_values(array_filter(
            preg_split('/\R/u', mb_scrub($text)) ?: [],
            static fn (string $line): bool => '' !== trim($line),
        ));
        if (\count($lines) > self::LINES) {
            throw new Refused(\sprintf('That is %d lines; %d at most can become tasks in one step.', \count($lines), self::LINES), 'text');
        }
        $read = [];
        /** @var list<int> $indents of the lines that the next one may lie under */
        $indents = [];
        $numbers = [];
        foreach ($lines as $line) {
            [$indent, $title, $done, $number] = self::line($line, $numbers);
            $numbers[$number] = true;
            if ('' === $title) {
                continue;
            }
            while ([] !== $indents && $indents[\count($indents) - 1] >= $indent) {
                array_pop($indents);
            }
            $read[] = [min(\count($indents), Task::DEPTH), $title, $done];
            $indents[] = $indent;
        }
        if ([] === $read) {
            throw new Refused('There is no line in it that could become a task.', 'text');
        }
        $at = 0;

        return self::under($read, $at, 0);
    }

    /**
     * @param list<array{int, string, bool}> $read depth, title, done
     *
     * @return list<Outline> those of the depth, and what lies under them
     */
    private static function under(array $read, int &$at, int $depth): array
    {
        $outlines = [];
        while (isset($read[$at]) && $read[$at][0] >= $depth) {
            [, $title, $done] = $read[$at];
            ++$at;
            $under = self::under($read, $at, $depth + 1);
            // What is done as a whole has nothing open in it.
            $isDone = $done && [] === array_filter($under, static fn (Outline $one): bool => !$one->done);
            $cut = mb_strlen($title) > Task::TITLE_LENGTH;
            $outlines[] = new Outline(
                $cut ? mb_substr($title, 0, Task::TITLE_LENGTH - 1).'…' : $title,
                $isDone,
                $under,
                $cut ? $title : '',
            );
        }

        return $outlines;
    }

    /**
     * @param array<string, true> $numbers those that stood before lines so far
     *
     * @return array{int, string, bool, string} indent in columns, title, done, number
     */
    private static function line(string $line, array $numbers): array
    {
        $number = '';
        $indent = 0;
        preg_match('/^[ \t\x{00A0}]*/u', $line, $space);
        foreach (mb_str_split($space[0] ?? '') as $character) {
            $indent += "\t" === $character ? self::TAB : 1;
        }
        $rest = trim(mb_substr($line, mb_strlen($space[0] ?? '')));
        $done = false;
        // "- [x] 1. Sand the door" has a mark of each kind.
        for ($marks = 0; $marks < 3; ++$marks) {
            if (1 === preg_match(self::BOX, $rest, $box)) {
                $done = $done
                    || \in_array($box['mark'] ?? '', ['x', 'X', '✓', '✔'], true)
                    || \in_array($box['box'] ?? '', ['☑', '☒', '✓', '✔'], true);
                $rest = substr($rest, \strlen($box[0]));
            } elseif (1 === preg_match(self::BULLET, $rest.' ', $bullet)) {
                $number = trim($bullet['number'] ?? '', '.()');
                $above = substr($number, 0, (int) strrpos($number, '.'));
                // "1.2" lies under "1" without being indented; "3.5 litres" is no number of a list.
                if ('' !== $above && !isset($numbers[$above])) {
                    break;
                }
                $indent += self::TAB * substr_count($number, '.');
                $rest = substr($rest, \strlen($bullet[0]));
            } else {
                break;
            }
        }

        return [$indent, trim((string) preg_replace('/\s+/u', ' ', $rest)), $done, $number];
    }
}

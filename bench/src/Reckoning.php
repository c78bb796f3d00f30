<?php

declare(strict_types=1);

namespace ZippyTray\Bench;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Console\Style\SymfonyStyle;
use ZippyTray\Core\Agenda\FindWays;
use ZippyTray\Core\Agenda\FitLoads;
use ZippyTray\Core\Agenda\Load;
use ZippyTray\Core\Time\LocalDate;

/**
 * How long it takes to put tasks into the days of a year, and to find what can be done about one that does not fit.
 */
final class Reckoning
{
    private const TASKS = [100, 500, 2000];

    private const ROUNDS = 30;

    private const DAYS = 366;

    /** @return array<string, array{fit: float, ways: float}> milliseconds, by how many tasks */
    public static function report(SymfonyStyle $style): array
    {
        $report = $rows = [];
        foreach (self::TASKS as $tasks) {
            [$there, $loads] = self::year($tasks);
            $first = LocalDate::parse('2026-11-27');
            $short = array_key_first(FitLoads::of($first, $there, $loads)->short);
            $fit = self::median(static fn (): mixed => FitLoads::of($first, $there, $loads));
            $ways = self::median(static fn (): mixed => (new FindWays($first, $there, $loads))->of((string) $short));
            $report["{$tasks} tasks"] = ['fit' => $fit, 'ways' => $ways];
            $rows[] = [$tasks, number_format($fit, 2), number_format($ways, 2)];
        }
        $style->table(['tasks over a year', 'into the days, ms', 'ways out of one, ms'], $rows);

        return $report;
    }

    /** @return array{list<int>, list<Load>} more than the days hold */
    private static function year(int $tasks): array
    {
        $chance = new Randomizer(new Mt19937(16));
        $first = LocalDate::parse('2026-11-27');
        $there = array_map(static fn (int $day): int => $day % 7 < 5 ? 330 : 0, range(0, self::DAYS - 1));
        $loads = [];
        for ($number = 0; $number < $tasks; ++$number) {
            $until = $chance->getInt(0, self::DAYS - 1);
            $loads[] = new Load(
                'task '.$number,
                $chance->getInt(1, 40) * 10,
                0 === $chance->getInt(0, 2) ? $first->plusDays($chance->getInt(0, $until)) : null,
                $first->plusDays($until),
                0 === $chance->getInt(0, 9) ? $first->plusDays($until) : null,
            );
        }

        return [$there, $loads];
    }

    /** @param \Closure(): mixed $work */
    private static function median(\Closure $work): float
    {
        $times = [];
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            $begin = hrtime(true);
            $work();
            $times[] = (hrtime(true) - $begin) / 1e6;
        }
        sort($times);

        return $times[intdiv(self::ROUNDS, 2)];
    }
}

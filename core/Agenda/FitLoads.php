<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\Time\LocalDate;

/**
 * Puts what was promised into the days, in pieces where it has to be, and not before it can begin.
 *
 * What is meant for a day takes its time there before anything else. Each minute of the rest is a job of its own with a first and a last
 * day, and on each day those that have to be done soonest are taken (F. Glover, Maximum matching in a convex bipartite graph, 1967): so as
 * little as possible is left over. What is over its last day already has to be done on the first.
 *
 * What fits lies as late as it may, found the same way from the last day back: a day then holds what cannot wait any longer.
 */
final readonly class FitLoads
{
    /** In days: what has no last day is put into so many. */
    public const AHEAD = 365;

    /**
     * @param LocalDate  $first day that is looked at, which is today
     * @param list<int>  $there minutes on each day from it on; behind them nothing is there
     * @param list<Load> $loads of equal ones those that are named first come first; ids differ
     */
    public static function of(LocalDate $first, array $there, array $loads): Fit
    {
        $there = \array_slice($there, 0, self::AHEAD);
        $free = array_map(static fn (int $minutes): int => max(0, $minutes), $there);
        $placed = array_fill(0, \count($there), []);
        $jobs = [];
        foreach ($loads as $place => $load) {
            $day = null === $load->on ? null : $first->daysUntil($load->on);
            if ($load->minutes <= 0 || (null !== $day && !isset($placed[$day]))) {
                continue;
            }
            if (null !== $day) {
                $placed[$day][$load->id] = $load->minutes;
                $free[$day] = max(0, $free[$day] - $load->minutes);
                continue;
            }
            $from = null === $load->from ? 0 : max(0, $first->daysUntil($load->from));
            // What has no last day comes behind all that has one.
            $jobs[$place] = [$from, null === $load->until ? \PHP_INT_MAX : max($from, $first->daysUntil($load->until)), $load->minutes];
        }
        [, $left] = self::fill($free, $jobs);
        $end = \count($free) - 1;
        $back = [];
        foreach ($jobs as $place => [$from, $until, $minutes]) {
            $back[$place] = [max(0, $end - $until), $end - $from, $minutes - ($left[$place] ?? 0)];
        }
        [$late] = self::fill(array_reverse($free), $back);
        foreach ($late as $day => $pieces) {
            foreach ($pieces as $place => $minutes) {
                $placed[$end - $day][$loads[$place]->id] = $minutes;
            }
        }

        return new Fit($first, $there, $placed, self::named($left, $jobs, $loads, $first));
    }

    /**
     * @param array<int, int>                  $free minutes of each day
     * @param array<int, array{int, int, int}> $jobs the first day, the last, and minutes
     *
     * @return array{array<int, array<int, int>>, array<int, int>} on each day how much of which job; how much is left over of which
     */
    private static function fill(array $free, array $jobs): array
    {
        $waiting = $filled = $over = [];
        foreach ($jobs as $place => [$from, $until, $minutes]) {
            0 >= $minutes ?: $waiting[$from][] = [$until, $place];
        }
        $left = array_map(static fn (array $job): int => $job[2], $jobs);
        /** @var \SplMinHeap<array{int, int}> $ready */
        $ready = new \SplMinHeap();
        foreach ($free as $day => $minutes) {
            foreach ($waiting[$day] ?? [] as $one) {
                $ready->insert($one);
            }
            unset($waiting[$day]);
            while (!$ready->isEmpty() && ($minutes > 0 || $ready->top()[0] < $day)) {
                [$until, $place] = $one = $ready->extract();
                if ($until < $day) {
                    $over[$place] = $left[$place];
                    continue;
                }
                $piece = min($minutes, $left[$place]);
                $minutes -= $piece;
                $left[$place] -= $piece;
                $filled[$day][$place] = $piece;
                $left[$place] <= 0 ?: $ready->insert($one);
            }
        }
        foreach ([...iterator_to_array($ready, false), ...array_merge(...array_values($waiting))] as [, $place]) {
            $over[$place] = $left[$place];
        }

        return [$filled, $over];
    }

    /**
     * @param array<int, int>                  $left  minutes by place
     * @param array<int, array{int, int, int}> $jobs  by place the first and the last day
     * @param list<Load>                       $loads
     *
     * @return array<string, array{minutes: int, by: ?LocalDate}> what has to be done soonest first
     */
    private static function named(array $left, array $jobs, array $loads, LocalDate $first): array
    {
        $last = static fn (int $place): int => $jobs[$place][1];
        $places = array_keys($left);
        usort($places, static fn (int $a, int $b): int => [$last($a), $a] <=> [$last($b), $b]);
        $named = [];
        foreach ($places as $place) {
            $named[$loads[$place]->id] = [
                'minutes' => $left[$place],
                'by' => \PHP_INT_MAX === $jobs[$place][1] ? null : $first->plusDays($jobs[$place][1]),
            ];
        }

        return $named;
    }
}

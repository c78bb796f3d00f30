<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\Time\LocalDate;

/**
 * Puts what was promised into the days: what has to be done first comes first, in pieces where it has to be, and not before it can begin.
 *
 * What is meant for a day takes its time there before anything else. Each minute of the rest is a job of its own with a first and a last
 * day, and on each day those that have to be done soonest are taken (F. Glover, Maximum matching in a convex bipartite graph, 1967): so as
 * little as possible is left over. What is over its last day already has to be done on the first.
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
        $waiting = [];
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
            // Who has no last day comes behind all that have one.
            $waiting[$from][] = [null === $load->until ? \PHP_INT_MAX : max($from, $first->daysUntil($load->until)), $place];
        }
        $left = array_map(static fn (Load $load): int => $load->minutes, $loads);
        /** @var \SplMinHeap<array{int, int}> $ready */
        $ready = new \SplMinHeap();
        $short = [];
        foreach ($free as $day => $minutes) {
            foreach ($waiting[$day] ?? [] as $one) {
                $ready->insert($one);
            }
            unset($waiting[$day]);
            while (!$ready->isEmpty() && ($minutes > 0 || $ready->top()[0] < $day)) {
                [$until, $place] = $one = $ready->extract();
                if ($until < $day) {
                    $short[] = $one;
                    continue;
                }
                $piece = min($minutes, $left[$place]);
                $minutes -= $piece;
                $left[$place] -= $piece;
                $placed[$day][$loads[$place]->id] = $piece;
                $left[$place] <= 0 ?: $ready->insert($one);
            }
        }

        return new Fit($first, $there, $placed, self::named(
            [...$short, ...iterator_to_array($ready, false), ...array_merge(...array_values($waiting))],
            $left,
            $loads,
            $first,
        ));
    }

    /**
     * @param list<array{int, int}> $short last day and place
     * @param array<int, int>       $left
     * @param list<Load>            $loads
     *
     * @return array<string, array{minutes: int, by: ?LocalDate}> what has to be done soonest first
     */
    private static function named(array $short, array $left, array $loads, LocalDate $first): array
    {
        sort($short);
        $named = [];
        foreach ($short as [$until, $place]) {
            $named[$loads[$place]->id] = [
                'minutes' => $left[$place],
                'by' => \PHP_INT_MAX === $until ? null : $first->plusDays($until),
            ];
        }

        return $named;
    }
}

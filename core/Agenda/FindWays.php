<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\Time\LocalDate;

/**
 * What can be done about one thing that does not fit, or that lies on a day that holds too much: the ways after which nothing of it is
 * missing any more, and no more than before of anything else.
 */
final readonly class FindWays
{
    /** So many days behind its own another day is looked for. */
    private const DAYS = 60;

    /**
     * @param list<int>  $there minutes on each day from the first on
     * @param list<Load> $loads
     */
    public function __construct(private LocalDate $first, private array $there, private array $loads)
    {
    }

    /** @return list<Way> */
    public function of(string $id): array
    {
        $load = array_values(array_filter($this->loads, static fn (Load $one): bool => $one->id === $id))[0] ?? null;
        $now = FitLoads::of($this->first, $this->there, $this->loads);
        if (null === $load) {
            return [];
        }
        if (null !== $load->on) {
            return array_values(array_filter([
                $now->over($load->on) > 0 ? $this->otherDay($load, $now) : null,
                $now->over($load->on) > 0 ? $this->less($load, $now->over($load->on)) : null,
                $now->over($load->on) > 0 ? $this->handedOver($load) : null,
            ]));
        }
        $short = $now->shortOf($id);

        return 0 === $short || null === $load->until ? [] : array_values(array_filter([
            $this->later($load, $now),
            $this->less($load, $short),
            $this->handedOver($load),
        ]));
    }

    /** The later it is due, the more of it fits: the first day is found by halves. */
    private function later(Load $load, Fit $now): ?Way
    {
        $isGood = fn (int $day): bool => $this->isBetter(
            $this->fit($load->until($this->first->plusDays($day)), $load->id),
            $now,
            $load->id,
        );
        $from = null === $load->until ? 0 : max(-1, $this->first->daysUntil($load->until));
        $to = min(\count($this->there), FitLoads::AHEAD) - 1;
        if ($from >= $to || !$isGood($to)) {
            return null;
        }
        while ($to - $from > 1) {
            $between = intdiv($from + $to, 2);
            $isGood($between) ? $to = $between : $from = $between;
        }
        $day = $this->first->plusDays($to);

        return new Way(WayKind::Later, $this->fit($load->until($day), $load->id), $day);
    }

    private function less(Load $load, int $by): ?Way
    {
        $minutes = $load->minutes - $by;

        return $minutes <= 0 ? null : new Way(WayKind::Less, $this->fit($load->lasting($minutes), $load->id), minutes: $minutes);
    }

    private function handedOver(Load $load): Way
    {
        return new Way(WayKind::HandOver, $this->fit(null, $load->id));
    }

    private function otherDay(Load $load, Fit $now): ?Way
    {
        $begin = max(0, null === $load->on ? 0 : $this->first->daysUntil($load->on) + 1);
        for ($day = $begin; $day < min($begin + self::DAYS, \count($this->there)); ++$day) {
            $date = $this->first->plusDays($day);
            if ($now->there($date) - $this->meantFor($date) < $load->minutes) {
                continue;
            }
            $fit = $this->fit($load->on($date), $load->id);
            if ($fit->missing() <= $now->missing() && 0 === $fit->over($date)) {
                return new Way(WayKind::OtherDay, $fit, $date);
            }
        }

        return null;
    }

    private function meantFor(LocalDate $date): int
    {
        return array_sum(array_map(
            static fn (Load $load): int => true === $load->on?->equals($date) ? $load->minutes : 0,
            $this->loads,
        ));
    }

    private function isBetter(Fit $fit, Fit $now, string $id): bool
    {
        return 0 === $fit->shortOf($id) && $fit->missing() <= $now->missing() - $now->shortOf($id);
    }

    private function fit(?Load $instead, string $id): Fit
    {
        $loads = array_map(static fn (Load $load): ?Load => $load->id === $id ? $instead : $load, $this->loads);

        return FitLoads::of($this->first, $this->there, array_values(array_filter($loads)));
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\Time\LocalDate;

/**
 * How what was promised fits into the days from one on. All lengths are minutes.
 *
 * @phpstan-type ShortState array{minutes: int, by: ?LocalDate}
 */
final readonly class Fit
{
    /**
     * @param LocalDate                 $first  day
     * @param list<int>                 $there  on each day, 0 or more
     * @param list<array<string, int>>  $placed on each day how much of which load; what is meant for a day lies there, also when it is more
     *                                          than there is
     * @param array<string, ShortState> $short  by load what does not fit before the end of which day; null: of the days that were looked at
     */
    public function __construct(public LocalDate $first, public array $there, public array $placed, public array $short)
    {
    }

    public function promised(LocalDate $day): int
    {
        return array_sum($this->placed[$this->first->daysUntil($day)] ?? []);
    }

    public function there(LocalDate $day): int
    {
        return $this->there[$this->first->daysUntil($day)] ?? 0;
    }

    /** How much more was promised on a day than is there. */
    public function over(LocalDate $day): int
    {
        return max(0, $this->promised($day) - $this->there($day));
    }

    public function shortOf(string $id): int
    {
        return $this->short[$id]['minutes'] ?? 0;
    }

    /** Of all that has to be done by a day. */
    public function isWhole(): bool
    {
        return [] === array_filter($this->short, static fn (array $short): bool => null !== $short['by']);
    }

    public function missing(): int
    {
        return array_sum(array_map(static fn (array $short): int => null === $short['by'] ? 0 : $short['minutes'], $this->short));
    }

    /** The day on which the last piece of it is done; null when it does not fit, or there is nothing of it. */
    public function doneOn(string $id): ?LocalDate
    {
        $last = null;
        foreach ($this->placed as $day => $placed) {
            $last = isset($placed[$id]) ? $day : $last;
        }

        return null === $last || $this->shortOf($id) > 0 ? null : $this->first->plusDays($last);
    }
}

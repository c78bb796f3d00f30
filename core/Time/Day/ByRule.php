<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Recurrence\Rule;

/**
 * The first day that a rule yields: "the first Monday of January", "the last working day of the month".
 */
final readonly class ByRule extends Day
{
    /**
     * @param Year|null $year  in which it has to be
     * @param int|null  $ahead so many months on; null: from today on
     */
    public function __construct(private Rule $rule, private ?Year $year = null, private ?int $ahead = null)
    {
    }

    public function ahead(LocalDate $today): ?LocalDate
    {
        $from = match (true) {
            null !== $this->year => LocalDate::on($this->year->of($today), 1, 1),
            null !== $this->ahead => $today->plusDays(1 - $today->day())->plusMonths($this->ahead),
            default => $today,
        };
        $date = null === $from ? null : $this->rule->first($from);

        return null !== $this->year && $date?->year() !== $this->year->of($today) ? null : $date;
    }

    /** The last one within two years. */
    public function behind(LocalDate $today): ?LocalDate
    {
        if (null !== $this->year || null !== $this->ahead) {
            return $this->ahead($today);
        }
        $found = null;
        for (
            $from = $today->plusMonths(-24);
            null !== ($date = $this->rule->first($from)) && !$today->isBefore($date);
            $from = $date->plusDays(1)
        ) {
            $found = $date;
        }

        return $found;
    }

    public function isFixed(): bool
    {
        return null !== $this->year || null !== $this->ahead;
    }

    public function problem(LocalDate $today): string
    {
        return '%s is not a day of the calendar.';
    }
}

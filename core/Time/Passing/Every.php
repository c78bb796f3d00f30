<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Passing;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Recurrence\Rule;
use ZippyTray\Core\Time\TimeOfDay;

/**
 * On each day of a rule, whenever the clocks of the zone in which it was meant show the time: wherever
 * the person is by then, and on both sides of a clock change.
 */
final readonly class Every implements Schedule
{
    /** @param LocalDate $since the first day of the series */
    public function __construct(private Rule $rule, private TimeOfDay $clock, private \DateTimeZone $zone, private LocalDate $since)
    {
    }

    public function after(\DateTimeImmutable $instant): ?\DateTimeImmutable
    {
        // A day early: a time that a clock change skips is moved forward, if need be past midnight.
        $from = LocalDate::of($instant, $this->zone)->plusDays(-1);
        foreach ($this->rule->dates($this->since, $from) as $date) {
            $at = $date->at($this->clock, $this->zone);
            if ($at > $instant) {
                return $at;
            }
        }

        return null;
    }
}

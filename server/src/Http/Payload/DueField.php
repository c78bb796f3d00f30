<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;

/**
 * A due as a person fills it in: a day, and perhaps a time in the person's own zone.
 */
final readonly class DueField
{
    public function __construct(public string $date, public ?string $time = null)
    {
    }

    /** @throws Refused */
    public function in(\DateTimeZone $zone): Due
    {
        $date = LocalDate::parse($this->date);

        return null === $this->time ? Due::onDay($date) : Due::at($date, TimeOfDay::parse($this->time), $zone);
    }
}

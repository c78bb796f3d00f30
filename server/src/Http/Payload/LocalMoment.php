<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;

/**
 * A day and a time in the person's own zone.
 */
final readonly class LocalMoment
{
    public function __construct(public string $date, public string $time)
    {
    }

    /** @throws Refused */
    public function in(\DateTimeZone $zone): Moment
    {
        return Moment::at(LocalDate::parse($this->date), TimeOfDay::parse($this->time), $zone);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;

/**
 * A time as a person fills it in: a when phrase, or a day and perhaps a time in their own zone.
 */
final readonly class WhenField
{
    public function __construct(public ?string $phrase = null, public ?string $date = null, public ?string $time = null)
    {
    }

    /** @throws Refused naming $field */
    public function due(Speaker $speaker, string $field): Due
    {
        if (null === $this->date) {
            return $speaker->due($this->phrase ?? '', $field);
        }
        try {
            $date = LocalDate::parse($this->date);

            return null === $this->time ? Due::onDay($date) : Due::at($date, TimeOfDay::parse($this->time), $speaker->now->zone);
        } catch (Refused $refused) {
            throw new Refused($refused->getMessage(), $field);
        }
    }

    /**
     * For a day see Speaker::ahead().
     *
     * @throws Refused naming $field
     */
    public function moment(Speaker $speaker, string $field): Moment
    {
        if (null === $this->date) {
            return $speaker->moment($this->phrase ?? '', $field);
        }
        $due = $this->due($speaker, $field);

        return null === $due->time ? $speaker->ahead($due->date) : Moment::at($due->date, $due->time, $speaker->now->zone);
    }
}

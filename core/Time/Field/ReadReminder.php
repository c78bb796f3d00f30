<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Field;

use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\Unreadable;

/**
 * Reads when a person wants to be reminded: "2h before", "friday 9am", "every weekday at 9".
 */
final readonly class ReadReminder
{
    /** Words that say that a lead is meant. */
    private const LEADS = '/\b(?:before|after|ahead|earlier|later|same day|the time|on the day)\b/i';

    /** @throws Unreadable when it is neither a lead, nor a moment, nor a repeat */
    public static function of(string $phrase, Speaker $speaker): Reminder
    {
        try {
            return Reminder::lead($speaker->readLead($phrase));
        } catch (Unreadable $problem) {
            if (1 === preg_match(self::LEADS, $phrase)) {
                throw $problem;
            }
        }
        $reading = $speaker->read($phrase);
        $morning = $speaker->settings->at(DayMark::Morning);
        if (null !== $reading->rule) {
            return Reminder::every($reading->rule, $reading->clock ?? $morning, $speaker->now->zone, $reading->date);
        }

        return Reminder::at($reading->moment ?? Moment::at($reading->date, $morning, $speaker->now->zone));
    }
}

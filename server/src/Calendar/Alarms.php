<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar;

use Sabre\VObject\Component;
use Sabre\VObject\Parameter;
use Sabre\VObject\Property\ICalendar\DateTime as CalendarTime;
use Sabre\VObject\Property\ICalendar\Duration;
use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Anchor;
use ZippyTray\Core\Time\Field\ReadReminder;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\Lead;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Reminder;
use ZippyTray\Core\Time\Span;
use ZippyTray\Core\Time\Unreadable;

/**
 * Reminders as alarms (VALARM, RFC 5545, 3.6.6).
 */
final readonly class Alarms
{
    /** How a reminder is put here, which durations alone cannot say. */
    private const PHRASE = 'X-ZIPPY-TRAY-REMINDER';

    /** @throws Refused when nothing here can say it */
    public static function read(Component $alarm, Speaker $speaker): Reminder
    {
        $phrase = Times::first($alarm, self::PHRASE);
        if (null !== $phrase) {
            try {
                return ReadReminder::of((string) $phrase, $speaker);
            } catch (Unreadable) {
                // It says itself when, too.
            }
        }
        $trigger = Times::first($alarm, 'TRIGGER');
        if ($trigger instanceof CalendarTime && $trigger->hasTime()) {
            return Reminder::at(new Moment($trigger->getDateTime(new \DateTimeZone('UTC')), $speaker->now->zone));
        }
        if (!$trigger instanceof Duration) {
            throw new Refused('a reminder at a moment of its own');
        }
        $interval = $trigger->getDateInterval();
        $related = $trigger['RELATED'];
        $isEnd = $related instanceof Parameter && 'END' === strtoupper((string) $related->getValue());
        $minutes = abs(Times::minutesOf($interval));
        $isAfter = !str_starts_with(trim((string) $trigger), '-') && $minutes > 0;

        return Reminder::lead(new Lead(
            0 === $minutes % 1440 ? new Span(days: intdiv($minutes, 1440)) : new Span(minutes: $minutes),
            $isAfter,
            of: $isEnd ? Anchor::Due : null,
        ));
    }

    /** @param bool $isTask what a lead counts from is then the due, which is its end */
    public static function write(Component $component, Reminder $reminder, string $title, bool $isTask): void
    {
        $alarm = $component->parent instanceof Component\VCalendar
            ? $component->parent->createComponent('VALARM', [], false)
            : throw new \LogicException('What reminds is in a calendar.');
        $component->add($alarm);
        $alarm->add('ACTION', 'DISPLAY');
        $alarm->add('DESCRIPTION', $title);
        $lead = $reminder->lead;
        if (null !== $lead) {
            $minutes = 1440 * ($lead->span->days + $lead->span->workingDays + 30 * $lead->span->months) + $lead->span->minutes;
            $text = 0 === $minutes % 1440 ? 'P'.intdiv($minutes, 1440).'D' : 'PT'.$minutes.'M';
            $isEnd = $isTask && Anchor::Start !== $lead->of;
            $alarm->add(
                'TRIGGER',
                ($lead->isAfter || 0 === $minutes ? '' : '-').(0 === $minutes ? 'PT0S' : $text),
                $isEnd ? ['RELATED' => 'END'] : [],
            );
        } elseif (null !== $reminder->at) {
            $alarm->add('TRIGGER', $reminder->at->instant->format('Ymd\THis\Z'), ['VALUE' => 'DATE-TIME']);
        } else {
            $alarm->add('TRIGGER', 'PT0S');
        }
        $alarm->add(self::PHRASE, $reminder->text());
    }
}

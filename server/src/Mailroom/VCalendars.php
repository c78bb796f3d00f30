<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use Psr\Log\LoggerInterface;
use Sabre\VObject\Component;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\Parameter;
use Sabre\VObject\Property;
use Sabre\VObject\Property\ICalendar\DateTime as CalendarTime;
use Sabre\VObject\Property\ICalendar\Duration;
use Sabre\VObject\Reader;
use ZippyTray\Core\Mail\Address;
use ZippyTray\Core\Mail\CalendarEvent;
use ZippyTray\Core\Mail\Mime\Calendars;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;

/**
 * Calendar objects by sabre/vobject. What a stranger wrote is read in bounds; what cannot be read is noted and left.
 */
final readonly class VCalendars implements Calendars
{
    /** In bytes. */
    private const LARGEST = 262_144;

    /** Components of one object. */
    private const COMPONENTS = 200;

    public function __construct(private LoggerInterface $logger)
    {
    }

    public function event(string $bytes, \DateTimeZone $zone): ?CalendarEvent
    {
        if (\strlen($bytes) > self::LARGEST || substr_count(strtoupper($bytes), 'BEGIN:') > self::COMPONENTS) {
            return null;
        }
        try {
            $calendar = Reader::read(mb_scrub($bytes), Reader::OPTION_FORGIVING | Reader::OPTION_IGNORE_INVALID_LINES);
            try {
                return $calendar instanceof VCalendar ? $this->first($calendar, $zone) : null;
            } finally {
                $calendar->destroy();
            }
        } catch (\Throwable $problem) {
            $this->logger->info('A calendar object could not be read.', ['exception' => $problem]);

            return null;
        }
    }

    private function first(VCalendar $calendar, \DateTimeZone $zone): ?CalendarEvent
    {
        $event = null;
        foreach ($calendar->select('VEVENT') as $one) {
            // The series rather than one of it that is told anew (RFC 5545, 3.8.4.4).
            if ($one instanceof VEvent
                && (null === $event || ([] === $one->select('RECURRENCE-ID') && [] !== $event->select('RECURRENCE-ID')))) {
                $event = $one;
            }
        }
        if (null === $event) {
            return null;
        }
        $begin = self::property($event, 'DTSTART');
        if (!$begin instanceof CalendarTime) {
            return null;
        }
        $start = $this->moment($begin, $zone);
        $date = $start?->date() ?? LocalDate::parse($begin->getDateTime($zone)->format('Y-m-d'));
        [$until, $end] = $this->end($event, $date, $start, $zone);
        $organiser = self::property($event, 'ORGANIZER');

        return new CalendarEvent(
            $this->word((string) self::property($calendar, 'METHOD')),
            mb_substr((string) self::property($event, 'UID'), 0, CalendarEvent::LINE),
            $this->line((string) self::property($event, 'SUMMARY')),
            $date,
            $start,
            $until,
            $end,
            $this->line((string) self::property($event, 'LOCATION')),
            null === $organiser ? new Address('') : $this->person($organiser),
            mb_substr((string) self::property($event, 'RRULE'), 0, CalendarEvent::LINE),
            'CANCELLED' === strtoupper(trim((string) self::property($event, 'STATUS'))),
            $this->answers($event),
        );
    }

    /** @return array{LocalDate|null, Moment|null} the last of whole days, or when it ends */
    private function end(VEvent $event, LocalDate $date, ?Moment $start, \DateTimeZone $zone): array
    {
        $end = self::property($event, 'DTEND');
        if ($end instanceof CalendarTime) {
            if (null !== $start) {
                return [null, $this->moment($end, $zone)];
            }
            // The day on which whole days end is no more of them (RFC 5545, 3.6.1).
            $last = LocalDate::parse($end->getDateTime($zone)->format('Y-m-d'))->plusDays(-1);

            return [$date->isBefore($last) ? $last : null, null];
        }
        $length = self::property($event, 'DURATION');

        return [
            null,
            null !== $start && $length instanceof Duration
                    ? new Moment($start->instant->add($length->getDateInterval()), $start->zone)
                    : null,
        ];
    }

    private function moment(CalendarTime $time, \DateTimeZone $zone): ?Moment
    {
        if (!$time->hasTime()) {
            return null;
        }
        $instant = $time->getDateTime($zone);

        return new Moment($instant, $instant->getTimezone());
    }

    /** @return list<array{email: string, name: string, answer: string}> */
    private function answers(VEvent $event): array
    {
        $answers = [];
        foreach (\array_slice($event->select('ATTENDEE'), 0, CalendarEvent::ANSWERS) as $attendee) {
            if ($attendee instanceof Property) {
                $person = $this->person($attendee);
                $answers[] = [
                    'email' => $person->email,
                    'name' => $person->name,
                    'answer' => $this->word(self::parameter($attendee, 'PARTSTAT')),
                ];
            }
        }

        return $answers;
    }

    private function person(Property $property): Address
    {
        $email = (string) preg_replace('/^\s*mailto:|\s+/i', '', (string) $property);

        return new Address(str_contains($email, '@') ? mb_substr($email, 0, 254) : '', $this->line(self::parameter($property, 'CN')));
    }

    private static function property(Component $component, string $name): ?Property
    {
        $first = array_values($component->select($name))[0] ?? null;

        return $first instanceof Property ? $first : null;
    }

    private static function parameter(Property $property, string $name): string
    {
        $value = $property[$name];

        return $value instanceof Parameter ? (string) $value->getValue() : '';
    }

    private function word(string $text): string
    {
        $word = strtolower(trim($text));

        return 1 === preg_match('/^[a-z-]{1,30}$/D', $word) ? $word : '';
    }

    private function line(string $text): string
    {
        return mb_substr(trim((string) preg_replace('/\s+/u', ' ', $text)), 0, CalendarEvent::LINE);
    }
}

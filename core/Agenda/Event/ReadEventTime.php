<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\Refused;
use ZippyTray\Core\Time\Due;
use ZippyTray\Core\Time\Field\Reading;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Unreadable;

/**
 * Reads when an event takes place: a when phrase with an end, "friday 2-4pm", "25 to 27 nov", "fri 2pm to sat 11am", "every friday 9:00 for
 * 90 min". What does not say how long it lasts lasts an hour.
 */
final readonly class ReadEventTime
{
    /** In minutes. */
    public const USUAL = 60;

    private const BARE_TIME = '/^(?:noon|midday|midnight|[\d:.]+\s*(?:[ap]\.?m\.?|h|uhr)?)$/iu';

    /** @param string $repeat RECUR (RFC 5545, 3.3.10); empty: once */
    private function __construct(public EventTime $time, public string $repeat)
    {
    }

    /** "Fri 27 Nov 2026, 14:00 to 16:00", of a repeat the phrase that says it. */
    public function text(): string
    {
        return $this->time->text();
    }

    /**
     * @throws Unreadable
     * @throws Refused    when it ends before it begins
     */
    public static function of(string $phrase, Speaker $speaker): self
    {
        try {
            $reading = $speaker->read($phrase);
        } catch (Unreadable $problem) {
            $reading = null;
        }
        // Who writes two days or moments means what lies between, which a when phrase would take for several days of each week.
        foreach (null === $reading?->until ? self::halves($phrase) : [] as [$begin, $end]) {
            $both = self::between($begin, $end, $speaker);
            if (null !== $both) {
                return new self($both, '');
            }
        }

        return self::lasting($phrase, $speaker) ?? (null === $reading ? throw $problem : self::read($reading));
    }

    private static function read(Reading $reading): self
    {
        return new self(self::time($reading), (string) $reading->rrule());
    }

    private static function time(Reading $reading): EventTime
    {
        $moment = $reading->moment;
        if (null === $moment) {
            return EventTime::days($reading->date, 1);
        }
        $minutes = null === $reading->until ? self::USUAL : self::minutesUntil($moment, $moment->date(), $reading->until);

        return EventTime::from(
            Due::at($moment->date(), $moment->time(), $moment->zone),
            $minutes > 0 ? $minutes : self::minutesUntil($moment, $moment->date()->plusDays(1), $reading->until ?? $moment->time()),
        );
    }

    private static function minutesUntil(Moment $moment, LocalDate $day, TimeOfDay $end): int
    {
        return intdiv(Moment::at($day, $end, $moment->zone)->instant->getTimestamp() - $moment->instant->getTimestamp(), 60);
    }

    /** @return iterable<array{string, string}> what stands before and behind each word that may part a beginning from an end */
    private static function halves(string $phrase): iterable
    {
        preg_match_all('/\s+(?:to|until|till|through|and)\s+|\s*[-–—]\s*/iu', $phrase, $matches, \PREG_OFFSET_CAPTURE);
        foreach (\array_slice($matches[0], 0, 5) as [$word, $at]) {
            $begin = (string) preg_replace('/^(?:from|between)\s+/iu', '', trim(substr($phrase, 0, $at)));
            yield [$begin, trim(substr($phrase, $at + \strlen($word)))];
        }
    }

    /** @return EventTime|null null: these are no two days, and no two moments */
    private static function between(string $begin, string $end, Speaker $speaker): ?EventTime
    {
        $last = self::single($end, $speaker);
        // "25 to 27 nov": the month stands behind the second.
        $first = self::single($begin, $speaker)
            ?? (1 === preg_match('/^\d{1,2}(?:st|nd|rd|th)?$/iu', $begin) && 1 === preg_match(
                '/^\d{1,2}(?:st|nd|rd|th)?(\s+.+)$/iu',
                $end,
                $match,
            )
                ? self::single($begin.$match[1], $speaker)
                : null);
        if (null === $first || null === $last) {
            return null;
        }
        if (null !== $first->moment && null !== $last->moment && 1 === preg_match(self::BARE_TIME, $begin)) {
            // "noon to 1pm friday": the day stands behind the second.
            $first = Reading::ofMoment(Moment::at($last->date, $first->moment->time(), $first->moment->zone), $speaker->now);
        }
        if (null === $first->moment && null === $last->moment) {
            // "friday to tuesday": the Tuesday behind that Friday.
            $until = $last->date->isBefore($first->date) && $last->date->plusDays(7)->daysUntil($first->date) <= 0
                ? $last->date->plusDays(7)
                : $last->date;

            return EventTime::days($first->date, $first->date->daysUntil($until) + 1);
        }

        return null === $first->moment || null === $last->moment || 1 !== preg_match('/\p{L}{3}|\d[\/.-]\d/u', $end)
            ? null
            : EventTime::from(
                $first->due(),
                intdiv($last->moment->instant->getTimestamp() - $first->moment->instant->getTimestamp(), 60),
            );
    }

    private static function single(string $phrase, Speaker $speaker): ?Reading
    {
        try {
            $reading = $speaker->read($phrase);
        } catch (Unreadable) {
            return null;
        }

        return null === $reading->rule && null === $reading->until ? $reading : null;
    }

    /** "friday 2pm for 3 days", "every tuesday 18:00 for 2h", where a repeat alone would be one that goes on for so long. */
    private static function lasting(string $phrase, Speaker $speaker): ?self
    {
        if (1 !== preg_match('/^(.+?),?\s+for\s+(.+)$/iu', trim($phrase), $match)) {
            return null;
        }
        try {
            $reading = $speaker->read($match[1]);
            $span = $speaker->readLead($match[2].' before')->span;
        } catch (Unreadable) {
            return null;
        }
        if (null !== $reading->until || $span->months + $span->workingDays > 0 || (0 < $span->days && null !== $reading->rule)) {
            return null;
        }
        $minutes = 1440 * $span->days + $span->minutes;

        return match (true) {
            null !== $reading->moment && $minutes > 0 => new self(EventTime::from($reading->due(), $minutes), (string) $reading->rrule()),
            $span->days > 0 && 0 === $span->minutes => new self(EventTime::days($reading->date, $span->days), ''),
            default => null,
        };
    }
}

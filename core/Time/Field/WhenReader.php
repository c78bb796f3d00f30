<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Field;

use ZippyTray\Core\Time\Day\Day;
use ZippyTray\Core\Time\Day\FromToday;
use ZippyTray\Core\Time\Day\WorkingDayBeside;
use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\Grammar\ClockTime;
use ZippyTray\Core\Time\Grammar\DayRules;
use ZippyTray\Core\Time\Grammar\Lexemes;
use ZippyTray\Core\Time\Grammar\Parsed;
use ZippyTray\Core\Time\Grammar\SpanRules;
use ZippyTray\Core\Time\Grammar\TimeRules;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Time\Unreadable;

/**
 * Reads when phrases: the one way in which people write time where time is written and nothing else.
 *
 *     phrase = repeat | [lead] ("now" | "later" | ["in"] span ["from" "now"] | day [time] | time day | time
 *            | "same" "time" day | ("this" part | mark) [clock] | clock ("this" part | mark)) ["at the latest"]
 *     lead   = "until" | "due" | "no later than" | "from" | "starting" | ["not"] ("before" | "after")
 *
 * The rules give every way in which the words can be read. The first one that uses them all is the
 * reading; others that are common too are its alternatives.
 */
final readonly class WhenReader
{
    /** In characters. */
    public const LENGTH = 200;

    /** In minutes: how long "later" is. */
    private const LATER = 180;

    public function __construct(private TimeSettings $settings = new TimeSettings())
    {
    }

    /**
     * @param Moment         $now    in the person's own zone
     * @param LocalDate|null $beside a day that is written beside a repeat
     *
     * @throws Unreadable when a word cannot be read, or what the words say cannot be
     */
    public function read(string $phrase, Moment $now, ?LocalDate $beside = null): Reading
    {
        if (mb_strlen($phrase) > self::LENGTH) {
            throw new Unreadable(\sprintf('That is too long to be a time: %d characters at most.', self::LENGTH), self::LENGTH);
        }
        $words = Lexemes::of($phrase);
        /** @var array<string, array{Reading, bool}> $found by text */
        $found = [];
        foreach ($this->phrase($words, $now, $beside) as $parsed) {
            if ($words->isEnd($parsed->next) || ($words->is($parsed->next, 'latest') && $words->isEnd($parsed->next + 1))) {
                $found[$parsed->value->text()] ??= [$parsed->value, $parsed->isSecond];
            }
        }
        $first = array_values(array_filter(
            $found,
            static fn (array $reading): bool => !$reading[1],
        ))[0] ?? array_values($found)[0] ?? throw $words->complaint('Write when: "friday 3pm", "in 2 weeks", "end of month".');
        $others = array_filter($found, static fn (array $reading): bool => $reading[1] && $reading[0] !== $first[0]);

        return $first[0]->or(array_values(array_map(static fn (array $reading): Reading => $reading[0], $others)), $words->corrected());
    }

    /** @return iterable<Parsed<Reading>> */
    private function phrase(Lexemes $words, Moment $now, ?LocalDate $beside): iterable
    {
        $days = new DayRules($words, $this->settings);
        $times = new TimeRules($words, $this->settings, intdiv($now->zone->getOffset($now->instant), 60));
        yield from (new RepeatRules($words, $this->settings, $days, $times))->at(0, $now, $beside);
        foreach ($this->lead($words, 0) as $lead) {
            yield from $this->fromNow($words, $lead->next, $now);
            yield from $this->partOfToday($words, $times, $lead->next, $now);
            yield from $this->dayAndTime($words, $days, $times, $lead, $now);
            foreach ($times->at($lead->next) as $time) {
                yield from $this->nextTime($words, $time, $now);
            }
        }
    }

    /**
     * @return iterable<Parsed<int>> -1 before, 1 after, 0 neither
     */
    private function lead(Lexemes $words, int $index): iterable
    {
        yield new Parsed(0, $index);
        $not = $words->is($index, 'not', 'no') ? 1 : 0;
        if ($not > 0 && $words->is($index + 1, 'later', 'earlier') && $words->is($index + 2, 'than')) {
            yield new Parsed(0, $index + 3);
        }
        $side = $words->pick(
            $index + $not,
            [
                'until' => 0,
                'till' => 0,
                'due' => 0,
                'from' => 0,
                'starting' => 0,
                'earliest' => 0,
                'latest' => 0,
                'before' => -1,
                'after' => 1,
            ],
        );
        if (null !== $side && (0 !== $side || 0 === $not)) {
            yield new Parsed($not > 0 ? 0 : $side, $index + $not + 1);
        }
    }

    /**
     * @param Parsed<int> $lead
     *
     * @return iterable<Parsed<Reading>>
     */
    private function dayAndTime(Lexemes $words, DayRules $days, TimeRules $times, Parsed $lead, Moment $now): iterable
    {
        $index = $lead->next;
        foreach ($days->at($index) as $day) {
            foreach ($this->date($words, $index, $day, $now) as $date) {
                foreach ($times->at($date->next, true) as $time) {
                    yield from $this->moments($words, $date->value, $time->second($date->isSecond), $now, $day->value instanceof FromToday);
                }
            }
            $meant = 0 === $lead->value
                ? $day
                : $day->as(new WorkingDayBeside($day->value, $lead->value, $this->settings->week), $day->next);
            foreach ($this->date($words, $index, $meant, $now) as $date) {
                yield $date->as(Reading::ofDay($date->value, $now), $date->next);
            }
        }
        foreach ($times->at($index) as $time) {
            foreach ($days->at($time->next) as $day) {
                foreach ($this->date($words, $time->next, $day, $now) as $date) {
                    yield from $this->moments(
                        $words,
                        $date->value,
                        $date->as($time->value, $date->next)->second($time->isSecond),
                        $now,
                        $day->value instanceof FromToday,
                    );
                }
            }
        }
        if ($words->is($index, 'same', 'this') && $words->is($index + 1, 'time')) {
            foreach ($days->at($index + 2) as $day) {
                foreach ($this->date($words, $index + 2, $day, $now) as $date) {
                    yield from $this->moment($words, $date->value, $date->as(new ClockTime($now->time()), $date->next), $now);
                }
            }
        }
    }

    /**
     * The day that is meant, seen from today.
     *
     * @param Parsed<Day> $day
     *
     * @return iterable<Parsed<LocalDate>>
     */
    private function date(Lexemes $words, int $index, Parsed $day, Moment $now): iterable
    {
        $date = $day->value->ahead($now->date());
        if (null !== $date) {
            yield $day->as($date, $day->next);
        } elseif (!$day->isSecond) {
            $words->impossible($index, $day->next, $day->value->problem($now->date()));
        }
    }

    /**
     * "in 2 hours", "1 day and 3 hours", "90 min from now", "now", "later".
     *
     * @return iterable<Parsed<Reading>>
     */
    private function fromNow(Lexemes $words, int $index, Moment $now): iterable
    {
        $minute = new Moment($now->instant->setTime((int) $now->instant->format('G'), (int) $now->instant->format('i')), $now->zone);
        if ($words->is($index, 'now')) {
            yield new Parsed(Reading::ofMoment($minute, $minute), $index + 1);
        }
        if ($words->is($index, 'later')) {
            $today = $words->is($index + 1, 'today') ? 2 : 1;
            yield new Parsed(Reading::ofMoment($this->later($minute), $minute), $index + $today);
        }
        $in = $words->is($index, 'in', 'within', 'inside') ? 1 : 0;
        foreach ((new SpanRules($words))->at($index + $in) as $span) {
            // "15h" is a time of the day, "in 15h" and "8h" are not.
            $hour = $words->number($index + $in);
            $isClock = 0 === $in && null !== $hour && $hour > 12 && $hour < 24 && $words->isGlued($index + 1, 'h');
            if ($isClock || 0 === $span->value->minutes) {
                continue;
            }
            $next = $span->next + ($words->is($span->next, 'from') && $words->is($span->next + 1, 'now')
                ? 2
                : ($words->is($span->next, 'later', 'time') ? 1 : 0));
            $moment = $span->value->fromMoment($minute, $this->settings->week);
            if (null === $moment) {
                $words->impossible($index, $next, '%s leads out of the calendar.');
            } else {
                yield new Parsed(Reading::ofMoment($moment, $minute), $next);
            }
        }
    }

    /** In a few hours, but still today. */
    private function later(Moment $now): Moment
    {
        $later = new Moment($now->instant->modify(\sprintf('+%d minutes', self::LATER)), $now->zone);
        $tonight = Moment::at($now->date(), $this->settings->at(DayMark::Tonight), $now->zone);

        return $tonight->instant > $now->instant && $tonight->instant < $later->instant ? $tonight : $later;
    }

    /**
     * "this evening": today's, or tomorrow's when it is past.
     *
     * @return iterable<Parsed<Reading>>
     */
    private function partOfToday(Lexemes $words, TimeRules $times, int $index, Moment $now): iterable
    {
        foreach ($this->part($words, $times, $index) as $part) {
            foreach ($times->at($part->next, true) as $time) {
                if (!$time->value->isMark) {
                    yield from $this->moments(
                        $words,
                        $now->date(),
                        $time->as($times->within($time->value, $part->value), $time->next),
                        $now,
                    );
                }
            }
            $moment = Moment::at($now->date(), $this->settings->at($part->value), $now->zone);
            // Nobody says "this morning" of tomorrow's.
            if ($moment->instant < $now->instant && DayMark::Morning !== $part->value) {
                $moment = Moment::at($now->date()->plusDays(1), $this->settings->at($part->value), $now->zone);
            }
            yield new Parsed(Reading::ofMoment($moment, $now), $part->next);
        }
        foreach ($times->at($index) as $time) {
            foreach ($time->value->isMark ? [] : $this->part($words, $times, $time->next) as $part) {
                yield from $this->moments($words, $now->date(), $time->as($times->within($time->value, $part->value), $part->next), $now);
            }
        }
    }

    /** @return iterable<Parsed<DayMark>> */
    private function part(Lexemes $words, TimeRules $times, int $index): iterable
    {
        $offset = $words->is($index, 'this') ? 1 : 0;
        foreach ($times->part($index + $offset) as $part) {
            $isOfDay = $words->is($index + $offset, 'morning', 'afternoon', 'evening', 'eve');
            // By itself only what names a moment of the day is one of today.
            if (1 === $offset ? $isOfDay : DayMark::Morning !== $part->value
                && !$words->is($index, 'in', 'afternoon', 'evening', 'night', 'am', 'pm', 'eve')) {
                yield $part;
            }
        }
    }

    /**
     * As it was said, and in the other half of the day where that may be meant as well.
     *
     * @param Parsed<ClockTime> $time
     * @param bool              $isToday whether the day was spoken of as today, so that a time of it is hardly one that is past
     *
     * @return iterable<Parsed<Reading>>
     */
    private function moments(Lexemes $words, LocalDate $day, Parsed $time, Moment $now, bool $isToday = true): iterable
    {
        $clock = $time->value;
        if ($clock->isAsWritten
            && $isToday
            && $day->equals($now->date())
            && (string) $clock->time < (string) $now->time()
            && $clock->hour() < 12) {
            yield from $this->moment($words, $day, $time->as($clock->otherHalf(), $time->next), $now);

            return;
        }
        yield from $this->moment($words, $day, $time, $now);
        if ($clock->isAsWritten && ($clock->hour() < 8 || $clock->hour() > 12)) {
            yield from $this->moment($words, $day, $time->as($clock->otherHalf(), $time->next)->second(), $now);
        }
    }

    /**
     * @param Parsed<ClockTime> $time
     *
     * @return iterable<Parsed<Reading>>
     */
    private function moment(Lexemes $words, LocalDate $day, Parsed $time, Moment $now): iterable
    {
        $clock = $time->value;
        $moment = new Moment(Moment::at($clock->dayOf($day), $clock->time, $clock->zone ?? $now->zone)->instant, $now->zone);
        if ($clock->isSecond) {
            $later = $this->shownAgain($moment);
            if (null === $later) {
                $words->impossible(0, $time->next, '%s: the clock shows that time only once on that day.');

                return;
            }
            $moment = $later;
        }
        yield $time->as(Reading::ofMoment($moment, $now, $this->end($moment, $clock, $day)), $time->next);
    }

    /** When what begins at a moment ends. */
    private function end(Moment $moment, ClockTime $clock, LocalDate $day): ?TimeOfDay
    {
        if (null !== $clock->minutes) {
            return (new Moment($moment->instant->modify(\sprintf('+%d minutes', $clock->minutes)), $moment->zone))->time();
        }

        return null === $clock->until ? null : TimeOfDay::of($day->at($clock->until->time, $clock->zone ?? $moment->zone), $moment->zone);
    }

    /** The later of two moments at which the clock shows the same. */
    private function shownAgain(Moment $moment): ?Moment
    {
        foreach ([30, 60, 120] as $minutes) {
            $later = new Moment($moment->instant->modify(\sprintf('+%d minutes', $minutes)), $moment->zone);
            if ($later->date()->equals($moment->date()) && (string) $later->time() === (string) $moment->time()) {
                return $later;
            }
        }

        return null;
    }

    /**
     * The next time that the clock shows it; of "half 3", which could be at night as well, also that one.
     *
     * @param Parsed<ClockTime> $time
     *
     * @return iterable<Parsed<Reading>>
     */
    private function nextTime(Lexemes $words, Parsed $time, Moment $now): iterable
    {
        $zone = $time->value->zone ?? $now->zone;
        $today = LocalDate::of($now->instant, $zone);
        foreach ([-1, 0, 1] as $days) {
            $moment = Moment::at($time->value->dayOf($today->plusDays($days)), $time->value->time, $zone);
            if ($moment->instant > $now->instant) {
                yield from $this->moment($words, $today->plusDays($days), $time, $now);
                if ($time->value->isAsWritten && $time->value->hour() > 12) {
                    yield from $this->nextTime($words, $time->as($time->value->otherHalf(), $time->next)->second(), $now);
                }

                return;
            }
        }
    }
}

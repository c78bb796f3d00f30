<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\When;

use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeSettings;

/**
 * Reads when phrases: the one way in which people write time.
 *
 *     phrase = repeat | ["in"] span [("from" "now")] | day [time] | time day | time
 *            | ("this" part | "tonight") [clock] | clock ("this" part | "tonight")
 *
 * The rules give every way in which the words can be read. The first one that uses them all is the
 * reading; others that are common too are its alternatives.
 */
final readonly class WhenReader
{
    /** In characters. */
    public const LENGTH = 200;

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
            if ($words->isEnd($parsed->next)) {
                $found[$parsed->value->text()] ??= [$parsed->value, $parsed->isSecond];
            }
        }
        $first = array_values(array_filter($found, static fn (array $reading): bool => !$reading[1]))[0] ?? array_values($found)[0] ?? throw $words->complaint('Write when: "friday 3pm", "in 2 weeks", "end of month".');
        $others = array_filter($found, static fn (array $reading): bool => $reading[1] && $reading[0] !== $first[0]);

        return $first[0]->or(array_values(array_map(static fn (array $reading): Reading => $reading[0], $others)));
    }

    /** @return iterable<Parsed<Reading>> */
    private function phrase(Lexemes $words, Moment $now, ?LocalDate $beside): iterable
    {
        $days = new DayRules($words, $this->settings);
        $times = new TimeRules($words, $this->settings);
        yield from (new RepeatRules($words, $this->settings, $days, $times))->at(0, $now, $beside);
        yield from $this->fromNow($words, $now);
        yield from $this->partOfToday($words, $times, $now);
        $today = $now->date();
        foreach ($days->at(0, $today) as $day) {
            foreach ($times->at($day->next) as $time) {
                yield from $this->moment($words, $day->value, $time, $now, $day->isSecond || $time->isSecond);
            }
            yield new Parsed(Reading::ofDay($day->value, $now), $day->next, $day->isSecond);
        }
        foreach ($times->at(0) as $time) {
            foreach ($days->at($time->next, $today) as $day) {
                yield from $this->moment($words, $day->value, new Parsed($time->value, $day->next), $now, $day->isSecond || $time->isSecond);
            }
            yield from $this->nextTime($words, $time, $now);
        }
    }

    /**
     * "in 2 hours", "1 day and 3 hours", "90 min from now".
     *
     * @return iterable<Parsed<Reading>>
     */
    private function fromNow(Lexemes $words, Moment $now): iterable
    {
        $in = $words->is(0, 'in') ? 1 : 0;
        $minute = new Moment($now->instant->setTime((int) $now->instant->format('G'), (int) $now->instant->format('i')), $now->zone);
        foreach ((new SpanRules($words))->at($in) as $span) {
            // "15h" is a time of the day, "in 15h" and "8h" are not.
            $hour = $words->number($in);
            $isClock = 0 === $in && null !== $hour && $hour > 12 && $hour < 24 && $words->isGlued(1, 'h');
            if ($isClock || 0 === $span->value->minutes) {
                continue;
            }
            $next = $span->next + ($words->is($span->next, 'from') && $words->is($span->next + 1, 'now') ? 2 : 0);
            $moment = $span->value->fromMoment($minute, $this->settings->week);
            if (null === $moment) {
                $words->impossible(0, $next, '%s leads out of the calendar.');
            } else {
                yield new Parsed(Reading::ofMoment($moment, $minute), $next);
            }
        }
    }

    /**
     * "this evening": today's, or tomorrow's when it is past.
     *
     * @return iterable<Parsed<Reading>>
     */
    private function partOfToday(Lexemes $words, TimeRules $times, Moment $now): iterable
    {
        foreach ($this->part($words, $times, 0) as $part) {
            foreach ($times->at($part->next) as $time) {
                yield from $this->moment($words, $now->date(), new Parsed($times->within($time->value, $part->value), $time->next), $now);
            }
            $moment = Moment::at($now->date(), $this->settings->at($part->value), $now->zone);
            if ($moment->instant < $now->instant) {
                $moment = Moment::at($now->date()->plusDays(1), $this->settings->at($part->value), $now->zone);
            }
            yield new Parsed(Reading::ofMoment($moment, $now), $part->next);
        }
        foreach ($times->at(0) as $time) {
            foreach ($this->part($words, $times, $time->next) as $part) {
                yield from $this->moment($words, $now->date(), new Parsed($times->within($time->value, $part->value), $part->next), $now);
            }
        }
    }

    /** @return iterable<Parsed<DayMark>> */
    private function part(Lexemes $words, TimeRules $times, int $index): iterable
    {
        if ($words->is($index, 'tonight')) {
            yield new Parsed(DayMark::Tonight, $index + 1);
        }
        if ($words->is($index, 'this')) {
            foreach ($times->part($index + 1) as $part) {
                if (!$words->is($index + 1, 'in', 'end', 'eod', 'night')) {
                    yield $part;
                }
            }
        }
        if ($words->is($index, 'eod', 'end')) {
            yield from $times->part($index);
        }
    }

    /**
     * @param Parsed<Clock> $time
     *
     * @return iterable<Parsed<Reading>>
     */
    private function moment(Lexemes $words, LocalDate $day, Parsed $time, Moment $now, bool $isSecond = false): iterable
    {
        $moment = Moment::at($time->value->dayOf($day), $time->value->time, $now->zone);
        if ($time->value->isSecond) {
            $later = $this->shownAgain($moment);
            if (null === $later) {
                $words->impossible(0, $time->next, '%s: the clock shows that time only once on that day.');

                return;
            }
            $moment = $later;
        }
        yield new Parsed(Reading::ofMoment($moment, $now), $time->next, $isSecond);
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
     * The next time that the clock shows it.
     *
     * @param Parsed<Clock> $time
     *
     * @return iterable<Parsed<Reading>>
     */
    private function nextTime(Lexemes $words, Parsed $time, Moment $now): iterable
    {
        foreach ([-1, 0, 1] as $days) {
            $day = $time->value->dayOf($now->date()->plusDays($days));
            $moment = Moment::at($day, $time->value->time, $now->zone);
            if ($moment->instant > $now->instant) {
                yield from $this->moment($words, $now->date()->plusDays($days), $time, $now, $time->isSecond);

                return;
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\When;

use ZippyTray\Core\Time\Day\Period;
use ZippyTray\Core\Time\Day\Unit;
use ZippyTray\Core\Time\Day\Weekday;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Span;
use ZippyTray\Core\Time\TimeSettings;

/**
 * Days, seen from a day.
 *
 *     day     = one | one "week" | one "in" span | span ("from" | "after" | "before") ("now" | one) | ["in"] span ["time"] | span "ago"
 *     one     = named | "today" | "tomorrow" | "yesterday" | "day" ("after" "tomorrow" | "before" "yesterday")
 *             | weekday | period | (a date, see DateRules)
 *     weekday = ["this" | "coming" | "next" | "last"] name | name ("this" | "next") "week" | ("this" | "next") "week" name
 *     period  = "this" "week" | ["this" | "next"] "weekend" | "next" unit | "end" ["this" | "next"] unit | "eow" | "eom" | "eoy"
 *             | ("start" | "beginning") "next" unit | ("end" | "start" | "beginning") month [year]
 */
final readonly class DayRules
{
    private SpanRules $spans;

    private DateRules $dates;

    public function __construct(private Lexemes $words, private TimeSettings $settings)
    {
        $this->spans = new SpanRules($words);
        $this->dates = new DateRules($words, $settings->dayFirst, $settings->week);
    }

    /** @return iterable<Parsed<LocalDate>> */
    public function at(int $index, LocalDate $today): iterable
    {
        foreach ($this->one($index, $today) as $day) {
            if ($this->words->is($day->next, 'week')) {
                yield new Parsed($day->value->plusDays(7), $day->next + 1, $day->isSecond);
            }
            if ($this->words->is($day->next, 'in')) {
                foreach ($this->spans->at($day->next + 1) as $span) {
                    yield from $this->away($index, $span, $day->value, 1, $span->next);
                }
            }
            yield $day;
        }
        yield from $this->counted($index, $today);
    }

    /** @return iterable<Parsed<LocalDate>> */
    private function counted(int $index, LocalDate $today): iterable
    {
        $in = $this->words->is($index, 'in') ? 1 : 0;
        foreach ($this->spans->at($index + $in) as $span) {
            if (0 === $in) {
                yield from $this->fromOther($index, $span, $today);
                if ($this->words->is($span->next, 'ago')) {
                    yield from $this->away($index, $span, $today, -1, $span->next + 1);
                }
            } elseif ($this->words->is($span->next, 'time')) {
                yield from $this->away($index, $span, $today, 1, $span->next + 1);
            }
            yield from $this->away($index, $span, $today, 1, $span->next);
        }
    }

    /**
     * "a week from Friday", "2 days before 1 December".
     *
     * @param Parsed<Span> $span
     *
     * @return iterable<Parsed<LocalDate>>
     */
    private function fromOther(int $index, Parsed $span, LocalDate $today): iterable
    {
        if (!$this->words->is($span->next, 'from', 'after', 'before')) {
            return;
        }
        $direction = $this->words->is($span->next, 'before') ? -1 : 1;
        if ($this->words->is($span->next + 1, 'now')) {
            yield from $this->away($index, $span, $today, $direction, $span->next + 2);
        }
        foreach ($this->one($span->next + 1, $today) as $day) {
            yield from $this->away($index, $span, $day->value, $direction, $day->next, $day->isSecond);
        }
    }

    /**
     * @param Parsed<Span> $span
     *
     * @return iterable<Parsed<LocalDate>>
     */
    private function away(int $index, Parsed $span, LocalDate $from, int $direction, int $next, bool $isSecond = false): iterable
    {
        if ($span->value->minutes > 0) {
            return;
        }
        $date = $span->value->from($from, $this->settings->week, $direction);
        if (null === $date) {
            $this->words->impossible($index, $next, '%s leads out of the calendar.');
        } else {
            yield new Parsed($date, $next, $isSecond);
        }
    }

    /** @return iterable<Parsed<LocalDate>> */
    private function one(int $index, LocalDate $today): iterable
    {
        yield from $this->dates->at($index, $today);
        yield from $this->near($index, $today);
        yield from $this->weekday($index, $today);
        yield from $this->period($index, $today);
        yield from $this->edge($index, $today);
    }

    /** @return iterable<Parsed<LocalDate>> */
    private function near(int $index, LocalDate $today): iterable
    {
        $days = $this->words->pick($index, ['today' => 0, 'tomorrow' => 1, 'tmrw' => 1, 'yesterday' => -1]);
        if (null !== $days) {
            yield new Parsed($today->plusDays($days), $index + 1);
        }
        if ($this->words->is($index, 'day') && $this->words->is($index + 1, 'after', 'before')) {
            $isAfter = $this->words->is($index + 1, 'after');
            if ($this->words->is($index + 2, $isAfter ? 'tomorrow' : 'yesterday')) {
                yield new Parsed($today->plusDays($isAfter ? 2 : -2), $index + 3);
            }
        }
    }

    /** @return iterable<Parsed<LocalDate>> */
    private function weekday(int $index, LocalDate $today): iterable
    {
        $week = $this->settings->week;
        if ($this->words->is($index, 'next', 'this') && $this->words->is($index + 1, 'week')) {
            $weekday = $this->words->weekday($index + 2);
            if (null !== $weekday) {
                yield new Parsed($week->dayIn($today->plusDays($this->words->is($index, 'next') ? 7 : 0), $weekday), $index + 3);
            }
        }
        $which = $this->words->pick($index, ['this' => 'this', 'coming' => 'coming', 'next' => 'next', 'last' => 'last']);
        $at = $index + (null === $which ? 0 : 1);
        $at += 'this' === $which && $this->words->is($at, 'coming') ? 1 : 0;
        $weekday = $this->words->weekday($at);
        if (null === $weekday) {
            return;
        }
        $coming = (new Weekday($weekday))->ahead($today);
        if ('next' === $which) {
            $next = $week->dayIn($today->plusDays(7), $weekday);
            yield new Parsed($next, $at + 1);
            if (!$next->equals($coming)) {
                yield new Parsed($coming, $at + 1, true);
            }

            return;
        }
        if ('last' === $which) {
            yield new Parsed((new Weekday($weekday))->behind($today), $at + 1);

            return;
        }
        if (null === $which && $this->words->is($at + 1, 'this', 'next') && $this->words->is($at + 2, 'week')) {
            yield new Parsed($week->dayIn($today->plusDays($this->words->is($at + 1, 'next') ? 7 : 0), $weekday), $at + 3);
        }
        yield new Parsed($coming, $at + 1);
    }

    /** @return iterable<Parsed<LocalDate>> */
    private function period(int $index, LocalDate $today): iterable
    {
        $week = $this->settings->week;
        $isNext = $this->words->is($index, 'next');
        $at = $index + ($isNext || $this->words->is($index, 'this') ? 1 : 0);
        if ($this->words->is($at, 'weekend')) {
            $coming = Period::weekend(0)->ahead($today);
            $day = Period::weekend($isNext ? 1 : 0, $week)->ahead($today);
            if (null !== $day) {
                yield new Parsed($day, $at + 1);
                if (null !== $coming && !$coming->equals($day)) {
                    yield new Parsed($coming, $at + 1, true);
                }
            }
        }
        if ($at === $index) {
            return;
        }
        $unit = $this->unit($at);
        if (null !== $unit) {
            // "this week" is what is left of it: its end.
            $period = $isNext ? Period::beginning($unit, 1, $week) : Period::end($unit, 0, $week);
            yield from $this->of($index, $period->ahead($today), $at + 1);
        }
    }

    /** @return iterable<Parsed<LocalDate>> */
    private function edge(int $index, LocalDate $today): iterable
    {
        $week = $this->settings->week;
        $short = $this->words->pick($index, ['eow' => Unit::Week, 'eom' => Unit::Month, 'eoq' => Unit::Quarter, 'eoy' => Unit::Year]);
        if (null !== $short) {
            yield from $this->of($index, Period::end($short, 0, $week)->ahead($today), $index + 1);
        }
        $isEnd = $this->words->is($index, 'end');
        if (!$isEnd && !$this->words->is($index, 'start', 'beginning')) {
            return;
        }
        $isNext = $this->words->is($index + 1, 'next');
        $at = $index + 1 + ($isNext || $this->words->is($index + 1, 'this') ? 1 : 0);
        $unit = $this->unit($at);
        // The beginning of what has begun is over.
        if (null !== $unit && ($isEnd || $isNext)) {
            $period = $isEnd ? Period::end($unit, $isNext ? 1 : 0, $week) : Period::beginning($unit, 1, $week);
            yield from $this->of($index, $period->ahead($today), $at + 1);
        }
        if ($at === $index + 1) {
            yield from $this->dates->edgeOfMonth($at, $isEnd, $today);
        }
    }

    private function unit(int $index): ?Unit
    {
        return $this->words->pick($index, ['week' => Unit::Week, 'month' => Unit::Month, 'quarter' => Unit::Quarter, 'year' => Unit::Year]);
    }

    /** @return iterable<Parsed<LocalDate>> */
    private function of(int $index, ?LocalDate $date, int $next): iterable
    {
        if (null === $date) {
            $this->words->impossible($index, $next, '%s leads out of the calendar.');
        } else {
            yield new Parsed($date, $next);
        }
    }
}

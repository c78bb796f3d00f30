<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Grammar;

use ZippyTray\Core\Time\Day\After;
use ZippyTray\Core\Time\Day\Day;
use ZippyTray\Core\Time\Day\Edge;
use ZippyTray\Core\Time\Day\FromToday;
use ZippyTray\Core\Time\Day\InWeek;
use ZippyTray\Core\Time\Day\Period;
use ZippyTray\Core\Time\Day\Unit;
use ZippyTray\Core\Time\Day\Weekday;
use ZippyTray\Core\Time\Day\Weekend;
use ZippyTray\Core\Time\English\Sense;
use ZippyTray\Core\Time\Span;
use ZippyTray\Core\Time\TimeSettings;

/**
 * Days, seen from a day that is not known yet.
 *
 *     day     = one | one "week" | ["a"] "week" one | one "in" span | span ("from" | "after" | "before") ("now" | one)
 *             | ("in" | "within" | "inside") span ["time"] [weekday] | span ["later"] | span "ago" | weekday "in" span
 *             | "day" ("after" | "before") one
 *     one     = near | "next" "working" "day" | weekday | period | (a date, see DateRules)
 *     weekday = ["this" | "coming" | "next" | "last"] name | name ["after"] "next" | name ("this" | "next") "week"
 *             | ("this" | "next") "week" name
 *     period  = "this" "week" | ["this" | "next"] "weekend" | "next" unit | unit "after" "next" | "before" unit "is" "out"
 *             | edge ["this" | "next"] unit | ("month" | "quarter" | "year") "end" | "eow" | "eom" | "eoq" | "eoy"
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

    /** @return iterable<Parsed<Day>> */
    public function at(int $index): iterable
    {
        $first = $this->words->peek($index);
        if (null === $first || LexemeKind::Mark === $first->kind) {
            $this->words->at($index);

            return;
        }
        $weekday = $this->words->weekday($index);
        if (null !== $weekday && $this->words->is($index + 1, 'in')) {
            foreach ($this->spans->at($index + 2) as $span) {
                if ($span->value->hasDays() && 0 === $span->value->minutes) {
                    yield $span->as(new InWeek($weekday, $span->value, $this->settings->week), $span->next);
                }
            }
        }
        foreach ($this->one($index) as $day) {
            if ($this->words->is($day->next, 'week') && !$this->words->is($day->next + 1, 'end')) {
                yield $day->as(new After($day->value, new Span(days: 7)), $day->next + 1);
            }
            yield $day;
        }
        yield from $this->counted($index);
        // "the day before christmas"
        if ($this->words->is($index, 'day') && $this->words->is($index + 1, 'before', 'after')) {
            foreach ($this->one($index + 2) as $day) {
                yield $day->as(new After($day->value, new Span(days: 1), $this->words->is($index + 1, 'before') ? -1 : 1), $day->next);
            }
        }
        // "a week on friday", "week today"
        $a = $this->words->is($index, 'a') ? 1 : 0;
        if ($this->words->is($index + $a, 'week')) {
            foreach ([...$this->near($index + $a + 1), ...$this->weekday($index + $a + 1)] as $day) {
                $isSaid = $this->words->isAfter($index + $a + 1, 'on') || null !== $this->words->int($index + $a + 1, Sense::Near);
                yield $day->as(
                    new After($day->value, new Span(days: 7)),
                    $day->next,
                )->needs($isSaid && ($a > 0 || !$this->words->isProse) ? Need::Nothing : Need::Field);
            }
        }
    }

    /** @return iterable<Parsed<Day>> */
    private function counted(int $index): iterable
    {
        $in = $this->words->is($index, 'in', 'within', 'inside') ? 1 : 0;
        $isNext = 1 === $in && $this->words->isProse && $this->words->is($index + 1, 'next', 'coming') ? 1 : 0;
        foreach ($this->spans->at($index + $in + $isNext) as $span) {
            $length = $this->length($span->value);
            if (null === $length) {
                continue;
            }
            if (0 === $in) {
                yield from $this->fromOther($index, $span->as($length, $span->next));
                if ($this->words->is($span->next, 'ago')) {
                    // "Eighteen years ago" is a way to say long ago.
                    yield $span->as(
                        new FromToday($length, -1, $this->settings->week),
                        $span->next + 1,
                    )->needs($length->months < 12 ? Need::Nothing : Need::Lead);
                }
                if ($this->words->is($span->next, 'later')) {
                    yield $span->as(new FromToday($length, 1, $this->settings->week), $span->next + 1)->needs(Need::Field);
                }
                yield $span->as(new FromToday($length, 1, $this->settings->week), $span->next)->needs(Need::Field);

                continue;
            }
            if ($this->words->is($span->next, 'time')) {
                yield $span->as(new FromToday($length, 1, $this->settings->week), $span->next + 1);
            }
            $weekday = $this->words->weekday($span->next);
            if (null !== $weekday) {
                yield $span->as(new InWeek($weekday, $length, $this->settings->week), $span->next + 1);
            }
            // "within two weeks of the visit" is seen from another day, "of this letter" and "of receipt" is not.
            $isOfThis = $this->words->isAfter($span->next, 'of')
                && $this->words->is($span->next, 'this', 'receipt', 'receiving', 'today', 'date', 'issue', 'invoice');
            if (!$isOfThis
                && $this->words->isProse
                && ($this->words->isAfter($span->next, 'of') || $this->words->is($span->next, 'after', 'from', 'before'))) {
                continue;
            }
            yield $span->as(new FromToday($length, 1, $this->settings->week), $span->next);
        }
    }

    /** In prose "within 48 hours" is a matter of days; hours and minutes are none. */
    private function length(Span $span): ?Span
    {
        if (0 === $span->minutes) {
            return $span;
        }

        return $this->words->isProse && !$span->hasDays() && 0 === $span->minutes % 1440
            ? new Span(days: intdiv($span->minutes, 1440))
            : null;
    }

    /**
     * "a week from Friday", "2 days before 1 December".
     *
     * @param Parsed<Span> $span
     *
     * @return iterable<Parsed<Day>>
     */
    private function fromOther(int $index, Parsed $span): iterable
    {
        if (!$this->words->is($span->next, 'from', 'after', 'before')) {
            return;
        }
        $direction = $this->words->is($span->next, 'before') ? -1 : 1;
        if ($this->words->is($span->next + 1, 'now')) {
            yield $span->as(new FromToday($span->value, $direction, $this->settings->week), $span->next + 2);
        }
        foreach ($this->one($span->next + 1) as $day) {
            if (Need::Nothing === $day->need || !$this->words->isProse) {
                yield $day->as(new After($day->value, $span->value, $direction, $this->settings->week), $day->next);
            }
        }
    }

    /** @return iterable<Parsed<Day>> */
    private function one(int $index): iterable
    {
        yield from $this->dates->at($index);
        if (null !== $this->words->peek($index)?->number) {
            return;
        }
        yield from $this->near($index);
        yield from $this->weekday($index);
        yield from $this->period($index);
        yield from $this->edge($index);
    }

    /** @return iterable<Parsed<Day>> */
    private function near(int $index): iterable
    {
        $days = $this->words->int($index, Sense::Near);
        if (null !== $days) {
            yield new Parsed(FromToday::days($days), $index + 1);
        }
        if ($this->words->is($index, 'next')
            && $this->words->is($index + 1, 'working', 'business')
            && $this->words->is($index + 2, 'day')) {
            yield new Parsed(new FromToday(new Span(workingDays: 1), 1, $this->settings->week), $index + 3);
        }
    }

    /** @return iterable<Parsed<Day>> */
    private function weekday(int $index): iterable
    {
        $week = $this->settings->week;
        $ahead = $this->words->is($index + 1, 'week') ? $this->words->pick($index, ['this' => 0, 'next' => 1, 'last' => -1]) : null;
        $behind = null === $ahead ? null : $this->words->weekday($index + 2);
        if (null !== $ahead && null !== $behind) {
            yield new Parsed(InWeek::weeks($behind, $ahead, $week), $index + 3);
        }
        $which = $this->words->pick(
            $index,
            ['this' => 'this', 'coming' => 'coming', 'following' => 'coming', 'next' => 'next', 'last' => 'last'],
        );
        $at = $index + (null === $which ? 0 : 1);
        $at += 'this' === $which && $this->words->is($at, 'coming') ? 1 : 0;
        $weekday = $this->words->weekday($at);
        if (null === $weekday) {
            return;
        }
        if ('next' === $which) {
            yield new Parsed(InWeek::weeks($weekday, 1, $week), $at + 1);
            yield new Parsed(new Weekday($weekday), $at + 1, true);

            return;
        }
        if ('last' === $which) {
            yield new Parsed(new Weekday($weekday, isLast: true), $at + 1);

            return;
        }
        $ahead = null === $which && $this->words->is($at + 2, 'week')
            ? $this->words->pick($at + 1, ['this' => 0, 'next' => 1, 'last' => -1])
            : null;
        if (null !== $ahead) {
            yield new Parsed(InWeek::weeks($weekday, $ahead, $week), $at + 3);
        }
        if (null === $which && $this->words->is($at + 1, 'after') && $this->words->is($at + 2, 'next')) {
            yield new Parsed(InWeek::weeks($weekday, 2, $week), $at + 3);
        }
        if (null === $which && $this->words->is($at + 1, 'next')) {
            yield new Parsed(
                InWeek::weeks($weekday, 1, $week),
                $at + 2,
                need: $this->words->is($at + 2, 'to') ? Need::Field : Need::Nothing,
            );
        }
        yield new Parsed(
            new Weekday($weekday, isThis: null !== $which || ($this->words->isProse && $this->words->isAfter($at, 'the'))),
            $at + 1,
        );
    }

    /** @return iterable<Parsed<Day>> */
    private function period(int $index): iterable
    {
        $week = $this->settings->week;
        // "before the month is out" is its last day; in prose "before" is what makes a deadline of it, and is no part of the day.
        $lead = $this->words->isProse ? 0 : 1;
        $named = $this->words->is($index + $lead - 1, 'before') ? $this->unit($index + $lead) : null;
        if (null !== $named
            && $this->words->is($index + $lead + 1, 'is')
            && $this->words->is($index + $lead + 2, 'out', 'over', 'up', 'through')) {
            yield new Parsed(new Period($named, Edge::End, 0, $week), $index + $lead + 3);
        }
        $isNext = $this->words->is($index, 'next');
        $at = $index + ($isNext || $this->words->is($index, 'this') ? 1 : 0);
        if ($this->words->is($at, 'weekend')) {
            yield new Parsed(new Weekend($isNext ? 1 : 0, $week), $at + 1, need: $at > $index ? Need::Nothing : Need::Lead);
            if ($isNext) {
                yield new Parsed(new Weekend(0), $at + 1, true);
            }
        }
        if ($at === $index && $this->words->is($at, 'weekend') && $this->words->is($at + 1, 'after') && $this->words->is($at + 2, 'next')) {
            yield new Parsed(new Weekend(2, $week), $at + 3);
        }
        $unit = $this->unit($at);
        if (null === $unit) {
            return;
        }
        if ($at > $index) {
            // "this week" is what is left of it: its end.
            if ($isNext || Unit::Week === $unit || !$this->words->isProse) {
                yield new Parsed(
                    $isNext ? new Period($unit, Edge::Begin, 1, $week) : new Period($unit, Edge::End, 0, $week),
                    $at + 1,
                    need: Need::Lead,
                );
            }
        } elseif ($this->words->isProse && $this->words->is($at + 1, 'next') && !$this->words->is($at + 2, 'to')) {
            // Some languages say it in this order: "la semaine prochaine".
            yield new Parsed(new Period($unit, Edge::Begin, 1, $week), $at + 2, need: Need::Lead);
        } elseif ($this->words->is($at + 1, 'after') && $this->words->is($at + 2, 'next')) {
            yield new Parsed(new Period($unit, Edge::Begin, 2, $week), $at + 3, need: Need::Lead);
        }
        // "month end", "month-end"
        $hyphen = $this->words->isGlued($at + 1, '-') ? 1 : 0;
        if (Unit::Week !== $unit
            && $this->words->is($at + 1 + $hyphen, 'end')
            && ($at === $index || 'this' === ($this->words->at($index)->lower ?? ''))) {
            yield new Parsed(new Period($unit, Edge::End, 0, $week), $at + 2 + $hyphen, need: Need::Lead);
        }
    }

    /** @return iterable<Parsed<Day>> */
    private function edge(int $index): iterable
    {
        $week = $this->settings->week;
        $short = $this->words->name($index, Sense::ShortEdge);
        if (null !== $short) {
            yield new Parsed(new Period(Unit::from($short), Edge::End, 0, $week), $index + 1);
        }
        if ($this->words->is($index, 'midweek')) {
            yield new Parsed(new Period(Unit::Week, Edge::Middle, 0, $week, true), $index + 1, need: Need::Lead);
        }
        $edge = $this->words->name($index, Sense::Edge);
        if (null === $edge) {
            return;
        }
        $edge = Edge::from($edge);
        $hyphen = $this->words->isGlued($index + 1, '-') ? 1 : 0;
        $isNext = $this->words->is($index + 1 + $hyphen, 'next');
        $at = $index + 1 + $hyphen + ($isNext || $this->words->is($index + 1 + $hyphen, 'this', 'that') ? 1 : 0);
        $unit = $this->unit($at);
        // The beginning of what has begun is over.
        if (null === $unit || (Edge::Begin === $edge && !$isNext) || $this->isAnyOne($index, $at)) {
            return;
        }
        $isLoose = $this->words->is($index, 'early', 'late');
        yield new Parsed(new Period($unit, $edge, $isNext ? 1 : 0, $week, !$isNext), $at + 1, need: $isLoose ? Need::Lead : Need::Nothing);
    }

    /** In prose "end of week" may be that of any; "end of the week" is that of this one. */
    private function isAnyOne(int $index, int $at): bool
    {
        return $this->words->isProse && $at === $index + 1 && !$this->words->isAfter($at, 'the', 'of');
    }

    private function unit(int $index): ?Unit
    {
        return $this->words->pick($index, ['week' => Unit::Week, 'month' => Unit::Month, 'quarter' => Unit::Quarter, 'year' => Unit::Year]);
    }
}

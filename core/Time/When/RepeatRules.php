<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\When;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Repeat\Frequency;
use ZippyTray\Core\Time\Repeat\NthDay;
use ZippyTray\Core\Time\TimeSettings;

/**
 * Repeats.
 *
 *     repeat  = [time] head { time | ("until" | "till") day | ["for"] count "times" | ("from" | "starting" | "start" | "beginning") day }
 *     head    = every [number | "other" | ordinal] unit [pattern] | "daily" | ("weekly" | "fortnightly" | "monthly" | "quarterly" | "yearly") [pattern]
 *             | every ["other" | ordinal] weekdays | weekdays, in the plural | every ("weekday" | "working" "day" | "weekend" | part)
 *             | every pattern of months or years
 *     every   = "every" | "each"
 *     pattern = of weeks: weekdays; of months: place { ["and"] place }; of years: a day of a month | nth "of" month
 *     place   = ordinal | number | nth
 *     nth     = ordinal (weekday | "working" "day") | "last" "day"
 */
final readonly class RepeatRules
{
    private SpanRules $spans;

    private DateRules $dates;

    public function __construct(private Lexemes $words, private TimeSettings $settings, private DayRules $days, private TimeRules $times)
    {
        $this->spans = new SpanRules($words);
        $this->dates = new DateRules($words, $settings->dayFirst, $settings->week);
    }

    /** @return iterable<Parsed<Reading>> */
    public function at(int $index, Moment $now, ?LocalDate $beside = null): iterable
    {
        foreach ($this->head($index) as $head) {
            yield from $this->tails($index, $head, $now, $beside);
        }
        foreach ($this->times->at($index) as $time) {
            foreach ($this->head($time->next) as $head) {
                $draft = $head->value->at($time->value);
                yield from null === $draft ? [] : $this->tails($index, new Parsed($draft, $head->next, $head->isSecond), $now, $beside);
            }
        }
    }

    /**
     * @param Parsed<RepeatDraft> $draft
     *
     * @return iterable<Parsed<Reading>>
     */
    private function tails(int $index, Parsed $draft, Moment $now, ?LocalDate $beside): iterable
    {
        foreach ($this->tail($draft, $now) as $longer) {
            yield from $this->tails($index, $longer, $now, $beside);
        }
        if (!$this->words->isEnd($draft->next)) {
            return;
        }
        foreach ($draft->value->readings($now, $this->settings->week, $beside) as $number => $reading) {
            if (\is_string($reading)) {
                $this->words->impossible($index, $draft->next, $reading);
            } else {
                yield new Parsed($reading, $draft->next, $draft->isSecond || $number > 0);
            }
        }
    }

    /**
     * @param Parsed<RepeatDraft> $draft
     *
     * @return iterable<Parsed<RepeatDraft>>
     */
    private function tail(Parsed $draft, Moment $now): iterable
    {
        $at = $draft->next;
        $made = [];
        foreach ($this->times->at($at) as $time) {
            $made[] = [$draft->value->at($time->value), $time];
        }
        if ($this->words->is($at, 'until', 'till')) {
            foreach ($this->days->at($at + 1, $draft->value->from ?? $now->date()) as $day) {
                $made[] = [$draft->value->until($day->value), $day];
            }
        }
        if ($this->words->is($at, 'from', 'starting', 'start', 'beginning')) {
            foreach ($this->days->at($at + 1, $now->date()) as $day) {
                $made[] = [$draft->value->from($day->value), $day];
            }
        }
        $for = $this->words->is($at, 'for') ? 1 : 0;
        foreach ($this->spans->count($at + $for) as $count) {
            if (!$this->words->is($count->next, 'times', 'time')) {
                continue;
            }
            if (0 === $count->value || $count->value > RepeatDraft::MOST) {
                $this->words->impossible($at, $count->next + 1, '%s is no number of times.');
            } else {
                $made[] = [$draft->value->times($count->value), new Parsed(null, $count->next + 1)];
            }
        }
        foreach ($made as [$longer, $parsed]) {
            if (null === $longer) {
                $this->words->impossible($at, $parsed->next, '%s does not go with what stands before it.');
            } else {
                yield new Parsed($longer, $parsed->next, $draft->isSecond || $parsed->isSecond);
            }
        }
    }

    /** @return iterable<Parsed<RepeatDraft>> */
    private function head(int $index): iterable
    {
        yield from $this->adverb($index);
        foreach ($this->weekdays($index, true) as $days) {
            yield new Parsed(new RepeatDraft(Frequency::Weekly, days: $days->value), $days->next);
        }
        if (!$this->words->is($index, 'every', 'each')) {
            return;
        }
        yield from $this->everyUnit($index, $index + 1);
        foreach ($this->interval($index, $index + 1) as $interval) {
            foreach ($this->weekdays($interval->next, false) as $days) {
                yield new Parsed(new RepeatDraft(Frequency::Weekly, $interval->value, $days->value), $days->next);
            }
        }
        foreach ($this->ofWeek($index + 1) as $days) {
            yield new Parsed(new RepeatDraft(Frequency::Weekly, days: $days->value), $days->next);
        }
        $isPart = $this->words->is($index + 1, 'morning', 'afternoon', 'evening', 'night');
        foreach ($isPart ? $this->times->part($index + 1) : [] as $part) {
            $draft = (new RepeatDraft(Frequency::Daily))->at(new Clock($this->settings->at($part->value)));
            if (null !== $draft) {
                yield new Parsed($draft, $part->next);
            }
        }
        yield from $this->ofYear($index + 1, 1);
        // "every last day of the month", "every 15th"
        foreach ($this->ofMonth($index + 1, 1, false) as $draft) {
            yield $draft;
            if ($this->words->is($draft->next, 'month')) {
                yield new Parsed($draft->value, $draft->next + 1);
            }
            if ($this->words->is($draft->next, 'every', 'each') && $this->words->is($draft->next + 1, 'month')) {
                yield new Parsed($draft->value, $draft->next + 2);
            }
        }
    }

    /** @return iterable<Parsed<RepeatDraft>> */
    private function adverb(int $index): iterable
    {
        $found = $this->words->pick($index, [
            'daily' => [Frequency::Daily, 1],
            'weekly' => [Frequency::Weekly, 1],
            'fortnightly' => [Frequency::Weekly, 2],
            'monthly' => [Frequency::Monthly, 1],
            'quarterly' => [Frequency::Monthly, 3],
            'yearly' => [Frequency::Yearly, 1],
            'annually' => [Frequency::Yearly, 1],
        ]);
        if (null !== $found) {
            yield from $this->withPattern($index + 1, $found[0], $found[1]);
        }
    }

    /**
     * "every 2 weeks on Tuesday", "every other day", "every quarter".
     *
     * @return iterable<Parsed<RepeatDraft>>
     */
    private function everyUnit(int $every, int $index): iterable
    {
        foreach ($this->interval($every, $index) as $interval) {
            foreach ($this->spans->unit($interval->next) as $unit) {
                [$frequency, $times] = match ($unit->value) {
                    'day' => [Frequency::Daily, 1],
                    'week' => [Frequency::Weekly, 1],
                    'fortnight' => [Frequency::Weekly, 2],
                    'month' => [Frequency::Monthly, 1],
                    'quarter' => [Frequency::Monthly, 3],
                    'year' => [Frequency::Yearly, 1],
                    default => [null, 0],
                };
                if (null === $frequency && 'working day' !== $unit->value) {
                    $this->words->impossible($index, $unit->next, 'A repeat goes by days, weeks, months or years, not by %s.');
                } elseif (null !== $frequency) {
                    yield from $this->withPattern($unit->next, $frequency, $times * $interval->value);
                }
            }
        }
    }

    /** @return iterable<Parsed<int>> */
    private function interval(int $every, int $index): iterable
    {
        yield new Parsed(1, $index);
        if ($this->words->is($index, 'other')) {
            yield new Parsed(2, $index + 1);
        }
        foreach ($this->spans->count($index) as $count) {
            if (0 === $count->value || $count->value > RepeatDraft::MOST) {
                foreach ($this->spans->unit($count->next) as $unit) {
                    $this->words->impossible($every, $unit->next, '%s cannot be.');
                }
            } else {
                yield $count;
            }
        }
        foreach ($this->dates->ordinal($index) as $ordinal) {
            // "every 2nd month" is every other one, "every 2nd of the month" a day.
            if ($ordinal->value > 1 && !$this->words->isAfter($ordinal->next, 'of')) {
                yield $ordinal;
            }
        }
    }

    /** @return iterable<Parsed<RepeatDraft>> */
    private function withPattern(int $index, Frequency $frequency, int $interval): iterable
    {
        if (Frequency::Weekly === $frequency) {
            foreach ([...$this->weekdays($index, false), ...$this->weekdays($index, true), ...$this->ofWeek($index)] as $days) {
                yield new Parsed(new RepeatDraft($frequency, $interval, $days->value), $days->next);
            }
        }
        if (Frequency::Monthly === $frequency) {
            yield from $this->ofMonth($index, $interval, true);
        }
        if (Frequency::Yearly === $frequency) {
            yield from $this->ofYear($index, $interval);
        }
        yield new Parsed(new RepeatDraft($frequency, $interval), $index);
    }

    /**
     * "monday and thursday", "mon, wed, fri", "monday to friday".
     *
     * @return iterable<Parsed<list<int>>> longest first
     */
    private function weekdays(int $index, bool $isPlural): iterable
    {
        $name = fn (int $at): ?int => $isPlural ? $this->words->weekdays($at) : $this->words->weekday($at);
        $first = $name($index);
        if (null === $first) {
            return;
        }
        if ($this->words->is($index + 1, 'to', '-', '–', 'through')) {
            $last = $name($index + 2);
            if (null !== $last && $last > $first) {
                yield new Parsed(range($first, $last), $index + 3);
            }
        }
        $and = $this->words->is($index + 1, 'and', '&', '/', '+') ? 1 : 0;
        foreach ($this->weekdays($index + 1 + $and, $isPlural) as $more) {
            $days = array_values(array_unique([$first, ...$more->value]));
            sort($days);
            yield new Parsed($days, $more->next);
        }
        yield new Parsed([$first], $index + 1);
    }

    /**
     * "weekday", "working day", "weekend".
     *
     * @return iterable<Parsed<list<int>>>
     */
    private function ofWeek(int $index): iterable
    {
        if ($this->words->is($index, 'weekday', 'weekdays')) {
            yield new Parsed([1, 2, 3, 4, 5], $index + 1);
        }
        if ($this->words->is($index, 'weekend', 'weekends')) {
            yield new Parsed([6], $index + 1);
        }
        foreach ($this->spans->unit($index) as $unit) {
            if ('working day' === $unit->value) {
                yield new Parsed($this->settings->week->workingDays, $unit->next);
            }
        }
    }

    /** @return iterable<Parsed<RepeatDraft>> */
    private function ofMonth(int $index, int $interval, bool $takesNumbers): iterable
    {
        foreach ($this->place($index, $interval, $takesNumbers) as $place) {
            $and = $this->words->is($place->next, 'and', '&') ? 1 : 0;
            foreach ($this->ofMonth($place->next + $and, $interval, $takesNumbers) as $more) {
                $both = $place->value->with($more->value);
                if (null !== $both) {
                    yield new Parsed($both, $more->next);
                }
            }
            yield $place;
        }
    }

    /** @return iterable<Parsed<RepeatDraft>> */
    private function place(int $index, int $interval, bool $takesNumbers): iterable
    {
        yield from $this->nthWeekday($index, $interval, []);
        foreach ($this->dates->ordinal($index) as $nth) {
            if ($this->words->is($nth->next, 'working', 'business') && $this->words->is($nth->next + 1, 'day')) {
                $days = array_map(static fn (int $day): NthDay => new NthDay($day), $this->settings->week->workingDays);
                yield new Parsed(new RepeatDraft(Frequency::Monthly, $interval, nthDays: $days, position: $nth->value), $nth->next + 2);
            }
            $day = $this->words->is($nth->next, 'day') ? 1 : 0;
            if (1 === $day || -1 !== $nth->value) {
                yield from $this->dayOfMonth($index, $nth->value, $interval, $nth->next + $day);
            }
        }
        $number = $takesNumbers && !$this->words->isAfter($index, 'at') ? $this->words->number($index) : null;
        if (null !== $number) {
            yield from $this->dayOfMonth($index, $number, $interval, $index + 1);
        }
    }

    /**
     * "first friday", "first and third friday".
     *
     * @param list<int> $before
     *
     * @return iterable<Parsed<RepeatDraft>>
     */
    private function nthWeekday(int $index, int $interval, array $before): iterable
    {
        foreach ($this->dates->ordinal($index) as $nth) {
            if ($nth->value > 5) {
                continue;
            }
            $all = [...$before, $nth->value];
            $weekday = $this->words->weekday($nth->next);
            if (null !== $weekday) {
                yield new Parsed(new RepeatDraft(Frequency::Monthly, $interval, nthDays: array_map(static fn (int $which): NthDay => new NthDay($weekday, $which), $all)), $nth->next + 1);
            }
            yield from $this->nthWeekday($nth->next + ($this->words->is($nth->next, 'and', '&') ? 1 : 0), $interval, $all);
        }
    }

    /** @return iterable<Parsed<RepeatDraft>> */
    private function dayOfMonth(int $index, int $day, int $interval, int $next): iterable
    {
        if ($day < -1 || 0 === $day || $day > 31) {
            $this->words->impossible($index, $next, '%s is not a day of any month.');
        } else {
            $draft = new RepeatDraft(Frequency::Monthly, $interval, monthDays: [$day]);
            $strict = $this->onlyWhereItIs($next);
            if ($strict > $next) {
                yield new Parsed($draft->onlyWhereItIs(), $strict);
            }
            yield new Parsed($draft, $next);
        }
    }

    /**
     * "only months that have it", "where there is one".
     *
     * @return int behind these words; $index when they do not stand there
     */
    private function onlyWhereItIs(int $index): int
    {
        $at = $index + ($this->words->is($index, 'only') ? 1 : 0);
        $at += $this->words->is($at, 'in') ? 1 : 0;
        if ($this->words->is($at, 'months', 'month') && $this->words->is($at + 1, 'that', 'which') && $this->words->is($at + 2, 'have', 'has')) {
            return $at + 3 + ($this->words->is($at + 3, 'it', 'one') ? 1 : 0);
        }

        return $this->words->is($at, 'where') && $this->words->is($at + 1, 'there') && $this->words->is($at + 2, 'is') ? $at + 3 + ($this->words->is($at + 3, 'one') ? 1 : 0) : $index;
    }

    /** @return iterable<Parsed<RepeatDraft>> */
    private function ofYear(int $index, int $interval): iterable
    {
        foreach ($this->dates->dayAndMonth($index) as $parsed) {
            [$day, $month] = $parsed->value;
            if (null === LocalDate::on(2000, $month, $day)) {
                $this->words->impossible($index, $parsed->next, '%s is not a day of the calendar.');
            } else {
                yield new Parsed(new RepeatDraft(Frequency::Yearly, $interval, monthDays: [$day], month: $month), $parsed->next);
            }
        }
        foreach ($this->place($index, $interval, false) as $place) {
            $month = $this->words->month($place->next);
            if (null !== $month) {
                yield new Parsed($place->value->inMonth($month), $place->next + 1);
            }
        }
    }
}

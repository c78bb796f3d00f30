<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Field;

use ZippyTray\Core\Time\English\Holidays;
use ZippyTray\Core\Time\English\Sense;
use ZippyTray\Core\Time\Grammar\ClockTime;
use ZippyTray\Core\Time\Grammar\DateRules;
use ZippyTray\Core\Time\Grammar\DayRules;
use ZippyTray\Core\Time\Grammar\Lexemes;
use ZippyTray\Core\Time\Grammar\Parsed;
use ZippyTray\Core\Time\Grammar\SpanRules;
use ZippyTray\Core\Time\Grammar\TimeRules;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Recurrence\Frequency;
use ZippyTray\Core\Time\Recurrence\NthDay;
use ZippyTray\Core\Time\Span;
use ZippyTray\Core\Time\TimeSettings;

/**
 * Repeats.
 *
 *     repeat  = { clause } head { clause }
 *     clause  = time | ("until" | "till") day | ["for"] count "times" | "for" span | ("from" | "starting" | "start" | "beginning") day
 *             | "except" (weekdays | "weekends" | "weekdays") | ("after" | "from") ("completion" | "it is done")
 *     head    = every [number | "other" | ordinal] unit [pattern] | often [pattern] | "once a" unit [pattern]
 *             | ("half-yearly" | every "half year") [pattern]
 *             | every ["other" | ordinal] weekdays | weekdays, in the plural or several
 *             | [every] ("weekday" | "working" "day" | "weekend" | part)
 *             | every pattern of months or years | pattern every ("month" | "quarter" | "year") | span "after completion"
 *     every   = "every" | "each"
 *     often   = "daily" | "weekly" | "fortnightly" | "biweekly" | "monthly" | "bimonthly" | "quarterly" | "yearly"
 *     pattern = of weeks: weekdays; of months and quarters: place { ["and"] place }; of years: a day of a month | nth "of" month
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
        // The order of clauses is free: what stands before the head is said of it afterwards.
        $none = new RepeatDraft(Frequency::Daily);
        foreach ($this->clauses(new Parsed($none, $index)) as $clause) {
            [$apply, $next, $isSecond] = $clause;
            foreach ($this->head($next) as $head) {
                $draft = $apply($head->value);
                if (null !== $draft) {
                    yield from $this->tails($index, $head->as($draft, $head->next)->second($isSecond), $now, $beside);
                }
            }
        }
        yield from $this->ofEvery($index, $now, $beside);
        $this->refuse($index);
    }

    /**
     * "on the 1st of every month", "first working day of the month" when that of this month is over.
     *
     * @return iterable<Parsed<Reading>>
     */
    private function ofEvery(int $index, Moment $now, ?LocalDate $beside): iterable
    {
        foreach ($this->ofMonth($index, 1, false) as $place) {
            $every = $this->words->is($place->next, 'every', 'each') ? 1 : 0;
            if ($every > 0 && $this->words->is($place->next + 1, 'month')) {
                yield from $this->tails($index, $place->as($place->value, $place->next + 2), $now, $beside);
            }
            if ($every > 0 && $this->words->is($place->next + 1, 'quarter')) {
                yield from $this->tails($index, $place->as($place->value->ofQuarters(), $place->next + 2), $now, $beside);
            }
            if (0 === $every
                && $place->value->isWorkingDay()
                && $this->words->is($place->next, 'month')
                && $place->value->isOver($now, $this->settings->week)) {
                yield from $this->tails($index, $place->as($place->value, $place->next + 1), $now, $beside);
            }
        }
        foreach ($this->ofYear($index, 1) as $day) {
            if ($this->words->is($day->next, 'every', 'each') && $this->words->is($day->next + 1, 'year')) {
                yield from $this->tails($index, $day->as($day->value, $day->next + 2), $now, $beside);
            }
        }
    }

    /** What people write that no rule can say: what to write instead. */
    private function refuse(int $index): void
    {
        foreach ($this->words->is($index, 'twice', 'thrice') ? [new Parsed(2, $index + 1)] : $this->spans->count($index) as $count) {
            $times = $this->words->is($count->next, 'times') ? 1 : 0;
            if (($times > 0 || $this->words->is($index, 'twice', 'thrice'))
                && $this->words->is($count->next + $times, 'a', 'per', 'each', 'every')
                && null !== $this->words->name($count->next + $times + 1, Sense::Unit)) {
                $isOfWeek = $this->words->is($count->next + $times + 1, 'week');
                $this->words->impossible(
                    $index,
                    $count->next + $times + 2,
                    'On which days is %s? Name them: "'.($isOfWeek ? 'every monday and thursday' : 'every month on the 1st and 15th').'".',
                );
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
        foreach ($this->clauses($draft) as [$apply, $next, $isSecond]) {
            $longer = $apply($draft->value);
            if (null === $longer) {
                $this->words->impossible($draft->next, $next, '%s does not go with what stands before it.');
            } else {
                yield from $this->tails($index, $draft->as($longer, $next)->second($isSecond), $now, $beside);
            }
        }
        if (!$this->words->isEnd($draft->next)) {
            return;
        }
        foreach ($draft->value->readings($now, $this->settings->week, $beside) as $number => $reading) {
            if (\is_string($reading)) {
                $this->words->impossible($index, $draft->next, $reading);
            } else {
                yield $draft->as($reading, $draft->next)->second($number > 0);
            }
        }
    }

    /**
     * What can be said of any repeat.
     *
     * @param Parsed<RepeatDraft> $draft
     *
     * @return iterable<array{
     *     \Closure(RepeatDraft): (RepeatDraft|null), int, bool
     * }> what it makes of a draft, what stands behind it, and whether it is a second reading
     */
    private function clauses(Parsed $draft): iterable
    {
        $at = $draft->next;
        foreach ($this->times->at($at, true) as $time) {
            yield [static fn (RepeatDraft $all): ?RepeatDraft => $all->at($time->value), $time->next, $time->isSecond];
        }
        if ($this->words->is($at, 'until', 'till')) {
            foreach ($this->days->at($at + 1) as $day) {
                yield [static fn (RepeatDraft $all): ?RepeatDraft => $all->until($day->value), $day->next, $day->isSecond];
            }
        }
        if ($this->words->is($at, 'from', 'starting', 'start', 'beginning')) {
            foreach ($this->days->at($at + 1) as $day) {
                yield [static fn (RepeatDraft $all): ?RepeatDraft => $all->from($day->value), $day->next, $day->isSecond];
            }
        }
        $completion = $this->completion($at);
        if ($completion > $at) {
            yield [static fn (RepeatDraft $all): RepeatDraft => $all->fromCompletion(), $completion, false];
        }
        if ($this->words->is($at, 'except')) {
            $days = [...$this->weekdays($at + 1, false), ...$this->weekdays($at + 1, true), ...$this->ofWeek($at + 1)];
            foreach ($days as $except) {
                yield [static fn (RepeatDraft $all): ?RepeatDraft => $all->except(...$except->value), $except->next, false];
            }
            if ([] === $days) {
                $this->words->impossible(
                    $at,
                    $at + 2,
                    '%s: only days of the week can be left out. What falls on another day is skipped when it comes.',
                );
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
                yield [static fn (RepeatDraft $all): ?RepeatDraft => $all->times($count->value), $count->next + 1, false];
            }
        }
        foreach ($for > 0 ? $this->spans->at($at + 1) : [] as $span) {
            if (0 === $span->value->minutes) {
                yield [static fn (RepeatDraft $all): ?RepeatDraft => $all->lasting($span->value), $span->next, false];
            }
        }
    }

    /**
     * "after completion", "after it is done".
     *
     * @return int behind these words; $index when they do not stand there
     */
    private function completion(int $index): int
    {
        if (!$this->words->is($index, 'after', 'from')) {
            return $index;
        }
        if ($this->words->is($index + 1, 'completion', 'completing', 'finishing')) {
            return $index + 2 + ($this->words->is($index + 2, 'it') ? 1 : 0);
        }
        $who = $this->words->is($index + 1, "it's", 'it', 'i', 'each', 'this') ? 1 : 0;
        $is = $this->words->is($index + 1 + $who, 'is', 'was', 'has', 'have') ? 1 : 0;
        $been = $this->words->is($index + 1 + $who + $is, 'been') ? 1 : 0;
        $at = $index + 1 + $who + $is + $been;

        return $who > 0 && $this->words->is($at, 'done', 'completed', 'complete', 'finished', 'did')
            ? $at + 1 + ($this->words->is($at + 1, 'it') ? 1 : 0)
            : $index;
    }

    /** @return iterable<Parsed<RepeatDraft>> */
    private function head(int $index): iterable
    {
        yield from $this->often($index);
        foreach ($this->weekdays($index, true) as $days) {
            yield $days->as(new RepeatDraft(Frequency::Weekly, days: $days->value), $days->next);
        }
        // "mon/wed/fri": several are a repeat by themselves.
        $isSeveral = $this->words->is($index + 1, 'and', '&', '/', '+', 'to', '-', '–', 'through')
            || $this->words->isAfter($index + 1, ',');
        foreach ($isSeveral ? $this->weekdays($index, false) : [] as $days) {
            if (\count($days->value) > 1) {
                yield $days->as(new RepeatDraft(Frequency::Weekly, days: $days->value), $days->next);
            }
        }
        if ($this->words->is($index, 'weekdays', 'weekends', 'workdays')) {
            foreach ($this->ofWeek($index) as $days) {
                yield $days->as(new RepeatDraft(Frequency::Weekly, days: $days->value), $days->next);
            }
        }
        // "3 days after completion"
        foreach ($this->spans->count($index) as $count) {
            foreach ($this->spans->unit($count->next) as $unit) {
                $next = $this->completion($unit->next);
                [$frequency, $times] = self::frequency($unit->value);
                if ($next > $unit->next && null !== $frequency && $count->value > 0 && $count->value <= RepeatDraft::MOST) {
                    yield new Parsed((new RepeatDraft($frequency, $times * $count->value))->fromCompletion(), $next);
                }
            }
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
            $draft = (new RepeatDraft(Frequency::Daily))->at(new ClockTime($this->settings->at($part->value)));
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

    /**
     * "daily", "once a week", "half-yearly".
     *
     * @return iterable<Parsed<RepeatDraft>>
     */
    private function often(int $index): iterable
    {
        $found = $this->words->name($index, Sense::Often);
        if (null !== $found) {
            [$frequency, $interval] = explode(' ', $found) + [1 => '1'];
            yield from $this->withPattern($index + 1, Frequency::from($frequency), (int) $interval, '3' === $interval);
        }
        if ($this->words->is($index, 'once') && $this->words->is($index + 1, 'a', 'per', 'every', 'each')) {
            foreach ($this->spans->unit($index + 2) as $unit) {
                [$frequency, $times] = self::frequency($unit->value);
                if (null !== $frequency) {
                    yield from $this->withPattern($unit->next, $frequency, $times, 'quarter' === $unit->value);
                }
            }
        }
        $every = $this->words->is($index, 'every', 'each') ? 1 : 0;
        if ($this->words->is($index + $every, 'half')) {
            $at = $index + $every + 1 + ($this->words->is($index + $every + 1, '-', 'a') ? 1 : 0);
            if (0 === $every && $this->words->is($at, 'yearly') || 1 === $every && $this->words->is($at, 'year')) {
                yield from $this->withPattern($at + 1, Frequency::Monthly, 6, false);
            }
        }
    }

    /** @return array{Frequency|null, int} */
    private static function frequency(string $unit): array
    {
        return match ($unit) {
            'day' => [Frequency::Daily, 1],
            'week' => [Frequency::Weekly, 1],
            'fortnight' => [Frequency::Weekly, 2],
            'month' => [Frequency::Monthly, 1],
            'quarter' => [Frequency::Monthly, 3],
            'year' => [Frequency::Yearly, 1],
            default => [null, 0],
        };
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
                [$frequency, $times] = self::frequency($unit->value);
                if (null === $frequency && 'working day' !== $unit->value) {
                    $this->words->impossible(
                        $index,
                        $unit->next,
                        'A day is the least: a repeat goes by days, weeks, months or years, not by %s.',
                    );
                } elseif (null !== $frequency) {
                    yield from $this->withPattern(
                        $unit->next,
                        $frequency,
                        $times * $interval->value,
                        'quarter' === $unit->value && 1 === $interval->value,
                    );
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
    private function withPattern(int $index, Frequency $frequency, int $interval, bool $isOfQuarters): iterable
    {
        if (Frequency::Weekly === $frequency) {
            foreach ([...$this->weekdays($index, false), ...$this->weekdays($index, true), ...$this->ofWeek($index)] as $days) {
                yield new Parsed(new RepeatDraft($frequency, $interval, $days->value), $days->next);
            }
        }
        if (Frequency::Monthly === $frequency) {
            foreach ($this->ofMonth($index, $interval, true) as $place) {
                $month = $isOfQuarters || !$this->words->is($place->next, 'month') ? 0 : 1;
                yield $place->as(
                    $isOfQuarters && $place->value->isAtEdge() ? $place->value->ofQuarters() : $place->value,
                    $place->next + $month,
                );
            }
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
        $name = fn (int $at): ?int => $this->words->int($at, $isPlural ? Sense::Weekdays : Sense::Weekday);
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
            yield new Parsed([6, 7], $index + 1);
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
                yield new Parsed(
                    new RepeatDraft(
                        Frequency::Monthly,
                        $interval,
                        nthDays: array_map(static fn (int $which): NthDay => new NthDay($weekday, $which), $all),
                    ),
                    $nth->next + 1,
                );
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
        if ($this->words->is($at, 'months', 'month')
            && $this->words->is($at + 1, 'that', 'which')
            && $this->words->is($at + 2, 'have', 'has')) {
            return $at + 3 + ($this->words->is($at + 3, 'it', 'one') ? 1 : 0);
        }

        return $this->words->is($at, 'where') && $this->words->is($at + 1, 'there') && $this->words->is($at + 2, 'is')
            ? $at + 3 + ($this->words->is($at + 3, 'one') ? 1 : 0)
            : $index;
    }

    /** @return iterable<Parsed<RepeatDraft>> */
    private function ofYear(int $index, int $interval): iterable
    {
        foreach ($this->dates->holidayName($index) as $name) {
            $fixed = Holidays::dayAndMonth($name->value);
            if (null !== $fixed) {
                yield $name->as(new RepeatDraft(Frequency::Yearly, $interval, monthDays: [$fixed[0]], months: [$fixed[1]]), $name->next);
            }
        }
        foreach ($this->dates->dayAndMonth($index) as $parsed) {
            [$day, $month] = $parsed->value;
            if (null === LocalDate::on(2000, $month, $day)) {
                $this->words->impossible($index, $parsed->next, '%s is not a day of the calendar.');
            } else {
                yield new Parsed(new RepeatDraft(Frequency::Yearly, $interval, monthDays: [$day], months: [$month]), $parsed->next);
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

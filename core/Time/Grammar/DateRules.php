<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Grammar;

use ZippyTray\Core\Time\Day\ByRule;
use ZippyTray\Core\Time\Day\Day;
use ZippyTray\Core\Time\Day\DayOfMonth;
use ZippyTray\Core\Time\Day\DayOfYear;
use ZippyTray\Core\Time\Day\Edge;
use ZippyTray\Core\Time\Day\IsoWeek;
use ZippyTray\Core\Time\Day\OfMonth;
use ZippyTray\Core\Time\Day\Year;
use ZippyTray\Core\Time\English\Holidays;
use ZippyTray\Core\Time\English\Lexicon;
use ZippyTray\Core\Time\English\Sense;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Recurrence\Frequency;
use ZippyTray\Core\Time\Recurrence\NthDay;
use ZippyTray\Core\Time\Recurrence\Rule;
use ZippyTray\Core\Time\Week;

/**
 * Dates of the calendar, with or without a year.
 *
 *     date    = [weekday] (number month [year] | month number [year] | numeric)
 *             | [weekday] ordinal ["this" "month" | "next" "month" | "month"]
 *             | nth (weekday | "working" "day" | "day") ["in"] (month [year] | ["this" | "next"] "month") | weekday number
 *             | [["in"] edge] (month | quarter) [year] | holiday [year] | "week" number [year]
 *     numeric = year sep number sep number | number sep number [sep year] | number "." number "." [year]
 *             | number sep month [sep year] | year sep month sep number
 *     sep     = "/" | "." | "-"
 *     ordinal = number ("st" | "nd" | "rd" | "th") | "first" … "twelfth"
 *     year    = four digits | ("this" | "next" | "last") "year"
 */
final readonly class DateRules
{
    /** In days. "Fri 13" may be a day of the month, but nobody means one that is far away. */
    private const SOON = 61;

    public function __construct(private Lexemes $words, private bool $dayFirst, private Week $week)
    {
    }

    /** @return iterable<Parsed<Day>> */
    public function at(int $index): iterable
    {
        $first = $this->words->peek($index);
        $isNumber = LexemeKind::Number === $first?->kind;
        if ($isNumber || (null !== $first && Lexicon::isAny($first->lower, Sense::Month, Sense::Ordinal))) {
            yield from $this->dated($index, null);
            yield from $this->nth($index);
        }
        $weekday = $isNumber ? null : $this->words->weekday($index);
        if (null !== $weekday) {
            $dash = $this->words->is($index + 1, '–', '-') && !$this->words->isGlued($index + 1, '-') ? 1 : 0;
            yield from $this->dated($index + 1 + $dash, $weekday);
            yield from $this->numbered($index + 1, $weekday);
        }
        if (LexemeKind::Word === $first?->kind) {
            yield from $this->holiday($index);
            yield from $this->part($index);
            yield from $this->isoWeek($index);
        } elseif ($isNumber && $this->words->isGlued($index + 1, 'st', 'nd', 'rd', 'th')) {
            yield from $this->part($index);
        }
    }

    /**
     * An ordinal number.
     *
     * @return iterable<Parsed<int>> -1 is the last
     */
    public function ordinal(int $index): iterable
    {
        $number = $this->words->number($index);
        if (null !== $number && $this->words->isGlued($index + 1, 'st', 'nd', 'rd', 'th')) {
            yield new Parsed($number, $index + 2);
        }
        $word = $this->words->int($index, Sense::Ordinal);
        if (null !== $word) {
            yield new Parsed($word, $index + 1);
        }
    }

    /**
     * The day and the month of a date without a year.
     *
     * @return iterable<Parsed<array{int, int}>>
     */
    public function dayAndMonth(int $index): iterable
    {
        foreach ($this->dayNumber($index) as $day) {
            $at = $this->behindStretch($day->next);
            $month = $this->monthBehind($at);
            if (null !== $month && !$this->isCut($at)) {
                // "the 2nd or 3rd of December" are two days, and the second is read by itself.
                yield $day->as([$day->value, $month], $at > $day->next && $this->words->is($day->next, 'or') ? $day->next : $at + 1);
            }
        }
        $month = $this->words->month($index);
        if (null !== $month
            && !$this->isCut($index + 1)
            && !($this->words->isProse && $this->words->isAfter($index + 1, 'by', 'on', 'at', 'of'))) {
            foreach ($this->dayNumber($index + 1) as $day) {
                $end = $this->words->isProse
                    && $this->words->is($day->next, '-', '–', 'and', 'or', 'to', '&')
                    ? [...$this->dayNumber($day->next + 1)][0] ?? null
                    : null;
                if (null !== $end && null === $this->words->month($end->next)) {
                    yield $day->as([$day->value, $month], $end->next);
                }
                yield $day->as([$day->value, $month], $day->next);
            }
        }
    }

    /** @return iterable<Parsed<Year>> */
    public function year(int $index): iterable
    {
        $year = $this->words->at($index);
        if (null !== $year?->number
            && 4 === \strlen($year->text)
            && !$this->words->isAfter($index, 'at')
            && (!$this->words->isProse || ($year->number > 1899 && $year->number < 2200))) {
            yield new Parsed(Year::named($year->number), $index + 1);
        }
        $ahead = $this->words->is($index + 1, 'year') ? $this->words->pick($index, ['this' => 0, 'next' => 1, 'last' => -1]) : null;
        if (null !== $ahead) {
            yield new Parsed(Year::ahead($ahead), $index + 2);
        }
    }

    /** Behind a number a month needs no capital, but for "may". */
    private function monthBehind(int $index): ?int
    {
        $name = $this->words->at($index);

        return $this->words->month($index)
            ?? (LexemeKind::Word === $name?->kind && !\in_array($name->lower, ['may', 'mar'], true)
                ? Lexicon::int(Sense::Month, $name->lower)
                : null);
    }

    /** In prose, "in May, 20 people" and "2 (May)" are no dates. */
    private function isCut(int $index): bool
    {
        return $this->words->isProse && $this->words->isAfter($index, ',', '(', ')');
    }

    /** Of "4 and 5 December", "4-6 December" and "Monday 7 to Wednesday 9 December" prose means a stretch; its first day counts. */
    private function behindStretch(int $index): int
    {
        if (!$this->words->isProse || !$this->words->is($index, '-', '–', 'and', 'or', 'to', '&', '/', 'until', 'till')) {
            return $index;
        }
        $weekday = null !== $this->words->weekday($index + 1) ? 1 : 0;
        foreach ($this->dayNumber($index + 1 + $weekday) as $day) {
            if (null !== $this->monthBehind($day->next)) {
                return $day->next;
            }
        }

        return $index;
    }

    /** @return iterable<Parsed<Day>> */
    private function dated(int $index, ?int $weekday): iterable
    {
        foreach ($this->dayAndMonth($index) as $parsed) {
            [$day, $month] = $parsed->value;
            foreach ($this->year($parsed->next) as $year) {
                yield $year->as($this->dayOfYear($day, $month, $year->value, $weekday), $year->next);
            }
            yield $parsed->as($this->dayOfYear($day, $month, null, $weekday), $parsed->next);
        }
        yield from $this->numeric($index, $weekday);
        yield from $this->withMonth($index, $weekday);
        foreach ($this->ordinal($index) as $ordinal) {
            if ($ordinal->value > 0) {
                yield from $this->ofMonth($index, $ordinal, $weekday);
            }
        }
    }

    /** Whoever writes to somebody may be wrong about the day of the week. */
    private function dayOfYear(int $day, int $month, ?Year $year, ?int $weekday): DayOfYear
    {
        return new DayOfYear($day, $month, $year, $weekday, $this->words->isProse);
    }

    /** @return iterable<Parsed<Day>> */
    private function numeric(int $index, ?int $weekday): iterable
    {
        $first = $this->words->number($index);
        if (null === $first) {
            return;
        }
        $length = \strlen((string) $this->words->at($index)?->text);
        if (8 === $length && null !== LocalDate::on(intdiv($first, 10_000), intdiv($first, 100) % 100, $first % 100)) {
            yield new Parsed(
                $this->dayOfYear($first % 100, intdiv($first, 100) % 100, Year::named(intdiv($first, 10_000)), $weekday),
                $index + 1,
                need: Need::Field,
            );
        }
        $mark = $this->words->isGlued($index + 1, '/', '.', '-') ? $this->words->at($index + 1)?->lower : null;
        $second = null === $mark || true !== $this->words->at($index + 2)?->glued ? null : $this->words->number($index + 2);
        if (null === $second) {
            return;
        }
        $third = $this->words->isGlued($index + 3, (string) $mark)
            && true === $this->words->at($index + 4)?->glued
            ? $this->words->number($index + 4)
            : null;
        if (4 === $length) {
            if (null !== $third) {
                // RFC 3339 has a "T" between the date and the time.
                $tail = $this->words->isGlued($index + 5, 't') && true === $this->words->at($index + 6)?->glued ? 1 : 0;
                yield new Parsed($this->dayOfYear($third, $second, Year::named($first), $weekday), $index + 5 + $tail);
            }

            return;
        }
        if ($length > 2) {
            return;
        }
        // A full stop between the numbers is a custom of those who write the day first.
        [$day, $month] = $this->dayFirst || '.' === $mark ? [$first, $second] : [$second, $first];
        $yearLength = null === $third ? 0 : \strlen((string) $this->words->peek($index + 4)?->text);
        $year = 2 === $yearLength || 4 === $yearLength ? Year::named($third < 100 ? 2000 + $third : $third) : null;
        $isSwapped = '.' !== $mark && $month > 12 && $day <= 12 && $month <= 31;
        if ($isSwapped) {
            [$day, $month] = [$month, $day];
        }
        $isDoubtful = '.' !== $mark && $first <= 12 && $second <= 12 && $first !== $second;
        [$next, $need] = match (true) {
            null !== $year => [$index + 5, Need::Nothing],
            '.' === $mark && $this->words->isGlued($index + 3, '.') => [$index + 4, null === $weekday ? Need::Lead : Need::Nothing],
            '-' === $mark => [$index + 3, Need::Field],
            $this->words->isAfter($index, 'at') && '.' === $mark => [null, Need::Field],
            default => [$index + 3, null === $weekday ? Need::Lead : Need::Nothing],
        };
        if (null === $next) {
            return;
        }
        if ($isSwapped) {
            $this->words->correct(
                $index,
                $next,
                $this->words->text($index + 2, $index + 3).$mark.$this->words->text($index, $index + 1)
                    .(null === $year ? '' : $mark.$this->words->text($index + 4, $index + 5)),
            );
        }
        if ($this->words->isProse && ($month < 1 || $month > 12 || $day < 1 || $day > 31)) {
            return;
        }
        yield new Parsed($this->dayOfYear($day, $month, $year, $weekday), $next, need: $need);
        if ($isDoubtful) {
            yield new Parsed($this->dayOfYear($month, $day, $year, $weekday), $next, true, $need);
        }
    }

    /**
     * "5-jan", "5/jan/2027", "2027/jan/5".
     *
     * @return iterable<Parsed<Day>>
     */
    private function withMonth(int $index, ?int $weekday): iterable
    {
        $first = $this->words->number($index);
        $mark = null !== $first && $this->words->isGlued($index + 1, '/', '.', '-') ? $this->words->at($index + 1)?->lower : null;
        $month = null === $mark ? null : $this->words->month($index + 2);
        if (null === $first || null === $month) {
            return;
        }
        $third = $this->words->is($index + 3, (string) $mark) ? $this->words->number($index + 4) : null;
        if ($first > 31) {
            if (null !== $third) {
                yield new Parsed($this->dayOfYear($third, $month, Year::named($first), $weekday), $index + 5);
            }

            return;
        }
        if (null !== $third) {
            yield new Parsed($this->dayOfYear($first, $month, Year::named($third < 100 ? 2000 + $third : $third), $weekday), $index + 5);
        }
        foreach ($this->year($index + 3) as $year) {
            yield $year->as($this->dayOfYear($first, $month, $year->value, $weekday), $year->next);
        }
        yield new Parsed($this->dayOfYear($first, $month, null, $weekday), $index + 3);
    }

    /**
     * "fri 27": a day of the month above the hours, or one that is such a day soon.
     *
     * @return iterable<Parsed<Day>>
     */
    private function numbered(int $index, int $weekday): iterable
    {
        $number = $this->words->isAfter($index, 'at') ? null : $this->words->number($index);
        if (null === $number || $number < 1 || $number > 31 || $this->words->isGlued($index + 1, ':', '.', '/', '-')) {
            return;
        }
        yield new Parsed(new DayOfMonth($number, $weekday, within: self::SOON), $index + 1, $number < 19, Need::Field);
    }

    /**
     * "the 27th", "the first of next month".
     *
     * @param Parsed<int> $day
     *
     * @return iterable<Parsed<Day>>
     */
    private function ofMonth(int $from, Parsed $day, ?int $weekday): iterable
    {
        $which = $this->words->is($day->next, 'this', 'next') ? 1 : 0;
        $isNext = $this->words->is($day->next, 'next');
        if ($this->words->is($day->next + $which, 'month')) {
            yield $day->as(new DayOfMonth($day->value, $weekday, $isNext ? 1 : 0), $day->next + $which + 1);
        }
        $isDigits = null !== $this->words->at($from)?->number;
        $need = !$isDigits ? Need::Field : (null !== $weekday || $this->words->isAfter($from, 'the') ? Need::Nothing : Need::Lead);
        yield $day->as(new DayOfMonth($day->value, $weekday), $day->next)->needs($need);
    }

    /**
     * "first monday of january", "last working day of the month", "last day of february", "second tuesday in december".
     *
     * @return iterable<Parsed<Day>>
     */
    private function nth(int $index): iterable
    {
        foreach ($this->ordinal($index) as $nth) {
            $weekday = $this->words->weekday($nth->next);
            $isWorking = $this->words->is($nth->next, 'working', 'business');
            $at = $nth->next + ($isWorking ? 1 : 0);
            if (null === $weekday && !$this->words->is($at, 'day')) {
                continue;
            }
            $rule = null === $weekday
                ? $this->ruleForDay($nth->value, $isWorking)
                : new Rule(Frequency::Monthly, days: [new NthDay($weekday, $nth->value)]);
            $in = $this->words->is($at + 1, 'in') ? 1 : 0;
            if (0 === $in && $this->words->isProse && !$this->words->isAfter($at + 1, 'of')) {
                continue;
            }
            $at += 1 + $in;
            $month = $this->words->month($at);
            $which = $this->words->is($at, 'this', 'next') ? 1 : 0;
            if (null !== $month) {
                $inYear = new Rule(
                    Frequency::Yearly,
                    days: $rule->days,
                    monthDays: $rule->monthDays,
                    months: [$month],
                    position: $rule->position,
                );
                foreach ($this->year($at + 1) as $year) {
                    yield $year->as(new ByRule($inYear, $year->value), $year->next);
                }
                yield $nth->as(new ByRule($inYear), $at + 1);
            } elseif ($this->words->is($at + $which, 'month')) {
                yield $nth->as(new ByRule($rule, ahead: $this->words->is($at, 'next') ? 1 : null), $at + 1 + $which);
            }
        }
    }

    private function ruleForDay(int $nth, bool $isWorking): Rule
    {
        return $isWorking
            ? new Rule(
                Frequency::Monthly,
                days: array_map(static fn (int $day): NthDay => new NthDay($day), $this->week->workingDays),
                position: $nth,
            )
            : new Rule(Frequency::Monthly, monthDays: [$nth]);
    }

    /** @return iterable<Parsed<Day>> */
    private function holiday(int $index): iterable
    {
        $which = $this->words->is($index, 'this', 'next', 'coming') ? 1 : 0;
        foreach ($this->holidayName($index + $which) as $name) {
            foreach ($this->year($name->next) as $year) {
                yield $year->as(Holidays::day($name->value, $year->value), $year->next);
            }
            yield $name->as(Holidays::day($name->value), $name->next);
        }
    }

    /**
     * A name of Holidays.
     *
     * @return iterable<Parsed<string>>
     */
    public function holidayName(int $index): iterable
    {
        $first = $this->words->at($index);
        if (null === $first || ($this->words->isProse && !$first->isCapital())) {
            return;
        }
        foreach (Holidays::beginningWith($first->lower) as $name => $words) {
            $next = $index;
            foreach ($words as $word) {
                $next = $next >= $index && $this->words->is($next, $word) ? $next + 1 : -1;
            }
            if ($next > $index) {
                yield new Parsed($name, $next, need: Holidays::isLoose($name) ? Need::Lead : Need::Nothing);
            }
        }
    }

    /**
     * "january", "mid december", "end of q1".
     *
     * @return iterable<Parsed<Day>>
     */
    private function part(int $index): iterable
    {
        $edge = $this->words->name($index, Sense::Edge);
        $at = $index + (null === $edge ? ($this->words->is($index, 'in') ? 1 : 0) : 1);
        $at += null !== $edge && $this->words->is($at, '-') ? 1 : 0;
        $edge = Edge::from($edge ?? 'begin');
        $isNamed = $at > $index && !$this->words->is($index, 'in');
        foreach ($this->months($at) as $months) {
            [$month, $count] = $months->value;
            foreach ($this->year($months->next) as $year) {
                yield $year->as(
                    new OfMonth($month, $edge, $year->value, $count),
                    $year->next,
                )->needs($isNamed ? Need::Nothing : Need::Lead);
            }
            // In prose only what leads up to it makes a day of a month.
            $isSaid = $isNamed
                || !$this->words->isProse
                || $this->words->isAfter($at, 'by')
                || $this->words->is($index - 1, 'before', 'until', 'till');
            if ($isSaid) {
                yield $months->as(
                    new OfMonth($month, $edge, null, $count),
                    $months->next,
                )->needs($isNamed && Edge::Late !== $edge ? Need::Nothing : Need::Lead);
            }
        }
        // "end of 2027"
        if ($isNamed && null === $this->words->month($at)) {
            foreach ($this->words->is($at, 'this', 'next', 'last') ? [] : $this->year($at) as $year) {
                yield $year->as(new OfMonth(1, $edge, $year->value, 12), $year->next)->needs(Need::Lead);
            }
        }
    }

    /** @return iterable<Parsed<array{int, int}>> the first one, and how many */
    private function months(int $index): iterable
    {
        $month = $this->words->month($index);
        if (null !== $month) {
            yield new Parsed([$month, 1], $index + 1);
        }
        $quarter = $this->words->int($index, Sense::Quarter);
        if (null !== $quarter) {
            yield new Parsed([3 * $quarter - 2, 3], $index + 1);
        }
        foreach ($this->ordinal($index) as $nth) {
            if ($nth->value > 0 && $nth->value < 5 && $this->words->is($nth->next, 'quarter')) {
                yield $nth->as([3 * $nth->value - 2, 3], $nth->next + 1);
            }
        }
    }

    /** @return iterable<Parsed<Day>> */
    private function isoWeek(int $index): iterable
    {
        $week = $this->words->is($index, 'week', 'wk', 'cw', 'kw') ? $this->words->number($index + 1) : null;
        if (null === $week || $week > 99) {
            return;
        }
        foreach ($this->year($index + 2) as $year) {
            yield $year->as(new IsoWeek($week, $year->value), $year->next)->needs(Need::Lead);
        }
        yield new Parsed(new IsoWeek($week), $index + 2, need: Need::Lead);
    }

    /** @return iterable<Parsed<int>> */
    private function dayNumber(int $index): iterable
    {
        foreach ($this->ordinal($index) as $ordinal) {
            if ($ordinal->value > 0) {
                yield $ordinal;
            }
        }
        $number = $this->words->number($index);
        if (null !== $number && (!$this->words->isProse || \strlen($this->words->at($index)->text ?? '') < 3)) {
            yield new Parsed($number, $index + 1);
        }
    }
}

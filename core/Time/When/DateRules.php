<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\When;

use ZippyTray\Core\Time\Day\DayOfMonth;
use ZippyTray\Core\Time\Day\DayOfYear;
use ZippyTray\Core\Time\Day\EndOfMonth;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Repeat\Frequency;
use ZippyTray\Core\Time\Repeat\NthDay;
use ZippyTray\Core\Time\Repeat\Rule;
use ZippyTray\Core\Time\Week;

/**
 * Dates of the calendar, with or without a year.
 *
 *     date    = [weekday] (number month [year] | month number [year] | numeric) | [weekday] ordinal ["this" "month" | "next" "month" | "month"]
 *             | nth (weekday | "working" "day" | "day") (month [year] | ["this" | "next"] "month")
 *     numeric = year "-" number "-" number | number sep number [sep year] | number "." number "." [year]
 *     ordinal = number ("st" | "nd" | "rd" | "th") | "first" … "twelfth"
 */
final readonly class DateRules
{
    public function __construct(private Lexemes $words, private bool $dayFirst, private Week $week)
    {
    }

    /** @return iterable<Parsed<LocalDate>> */
    public function at(int $index, LocalDate $today): iterable
    {
        yield from $this->dated($index, $index, null, $today);
        $weekday = $this->words->weekday($index);
        if (null !== $weekday) {
            yield from $this->dated($index, $index + 1, $weekday, $today);
        }
        yield from $this->nth($index, $today);
    }

    /**
     * "end of january", "start of march 2027": what stands behind the first word.
     *
     * @return iterable<Parsed<LocalDate>>
     */
    public function edgeOfMonth(int $index, bool $isEnd, LocalDate $today): iterable
    {
        $month = $this->words->month($index);
        if (null === $month) {
            return;
        }
        $year = $this->year($index + 1);
        foreach (null === $year ? [null] : [$year, null] as $named) {
            $date = (new EndOfMonth($month, $named, !$isEnd))->ahead($today);
            if (null !== $date) {
                yield new Parsed($date, $index + (null === $named ? 1 : 2));
            }
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
        $word = $this->words->ordinal($index);
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
            $month = $this->words->month($day->next);
            if (null !== $month) {
                yield new Parsed([$day->value, $month], $day->next + 1);
            }
        }
        $month = $this->words->month($index);
        if (null !== $month) {
            foreach ($this->dayNumber($index + 1) as $day) {
                yield new Parsed([$day->value, $month], $day->next);
            }
        }
    }

    /** @return iterable<Parsed<LocalDate>> */
    private function dated(int $from, int $index, ?int $weekday, LocalDate $today): iterable
    {
        foreach ($this->dayAndMonth($index) as $parsed) {
            [$day, $month] = $parsed->value;
            $year = $this->year($parsed->next);
            if (null !== $year) {
                yield from $this->made($from, $parsed->next + 1, $day, $month, $year, $weekday, $today);
            }
            yield from $this->made($from, $parsed->next, $day, $month, null, $weekday, $today);
        }
        yield from $this->numeric($from, $index, $weekday, $today);
        foreach ($this->ordinal($index) as $ordinal) {
            if ($ordinal->value > 0) {
                yield from $this->ofMonth($from, $ordinal, $weekday, $today);
            }
        }
    }

    /** @return iterable<Parsed<LocalDate>> */
    private function numeric(int $from, int $index, ?int $weekday, LocalDate $today): iterable
    {
        [$first, $mark] = [$this->words->number($index), $this->words->isGlued($index + 1, '/', '.', '-') ? $this->words->at($index + 1)?->lower : null];
        $second = null === $first || null === $mark || true !== $this->words->at($index + 2)?->glued ? null : $this->words->number($index + 2);
        if (null === $first || null === $second) {
            return;
        }
        $third = $this->words->isGlued($index + 3, (string) $mark) && true === $this->words->at($index + 4)?->glued ? $this->words->number($index + 4) : null;
        if (4 === mb_strlen((string) $this->words->at($index)?->text)) {
            if (null !== $third && '.' !== $mark) {
                yield from $this->made($from, $index + 5, $third, $second, $first, $weekday, $today);
            }

            return;
        }
        // A full stop between the numbers is a custom of those who write the day first.
        [$day, $month] = $this->dayFirst || '.' === $mark ? [$first, $second] : [$second, $first];
        $isDoubtful = '.' !== $mark && $first <= 12 && $second <= 12 && $first !== $second;
        $year = null !== $third && \in_array(mb_strlen($this->words->at($index + 4)->text), [2, 4], true) ? ($third < 100 ? 2000 + $third : $third) : null;
        $ends = match (true) {
            null !== $year => [[$index + 5, $year]],
            '.' === $mark && $this->words->isGlued($index + 3, '.') => [[$index + 4, null]],
            '-' === $mark, $this->words->isAfter($index, 'at') && '.' === $mark => [],
            default => [[$index + 3, null]],
        };
        foreach ($ends as [$next, $named]) {
            yield from $this->made($from, $next, $day, $month, $named, $weekday, $today);
            if ($isDoubtful) {
                foreach ($this->made($from, $next, $month, $day, $named, $weekday, $today) as $other) {
                    yield new Parsed($other->value, $other->next, true);
                }
            }
        }
    }

    /**
     * "the 27th", "the first of next month".
     *
     * @param Parsed<int> $day
     *
     * @return iterable<Parsed<LocalDate>>
     */
    private function ofMonth(int $from, Parsed $day, ?int $weekday, LocalDate $today): iterable
    {
        $which = $this->words->is($day->next, 'this', 'next') ? 1 : 0;
        $isNext = $this->words->is($day->next, 'next');
        if ($this->words->is($day->next + $which, 'month')) {
            $first = $today->plusDays(1 - $today->day())->plusMonths($isNext ? 1 : 0);
            $date = LocalDate::on($first->year(), $first->month(), $day->value);
            if (null === $date) {
                $this->words->impossible($from, $day->next + $which + 1, '%s: that month has no such day.');
            } elseif (null === $weekday || $date->weekday() === $weekday) {
                yield new Parsed($date, $day->next + $which + 1);
            }
        }
        $date = (new DayOfMonth($day->value, $weekday))->ahead($today);
        if (null === $date) {
            $this->words->impossible($from, $day->next, '%s is not a day of any month.');
        } else {
            yield new Parsed($date, $day->next);
        }
    }

    /** @return iterable<Parsed<LocalDate>> */
    private function made(int $from, int $next, int $day, int $month, ?int $year, ?int $weekday, LocalDate $today): iterable
    {
        $date = (new DayOfYear($day, $month, $year, $weekday))->ahead($today);
        if (null === $date) {
            $this->words->impossible($from, $next, '%s is not a day of the calendar.');
        } elseif (null !== $weekday && $date->weekday() !== $weekday) {
            $this->words->impossible($from, $next, '%s cannot be: '.$date->format('j M Y').' is a '.$date->format('l').'.');
        } else {
            yield new Parsed($date, $next);
        }
    }

    /**
     * "first monday of january", "last working day of the month", "last day of february".
     *
     * @return iterable<Parsed<LocalDate>>
     */
    private function nth(int $index, LocalDate $today): iterable
    {
        foreach ($this->ordinal($index) as $nth) {
            $weekday = $this->words->weekday($nth->next);
            $isWorking = $this->words->is($nth->next, 'working', 'business');
            $at = $nth->next + ($isWorking ? 1 : 0);
            if (null === $weekday && !$this->words->is($at, 'day')) {
                continue;
            }
            $rule = null === $weekday ? $this->ruleForDay($nth->value, $isWorking) : new Rule(Frequency::Monthly, days: [new NthDay($weekday, $nth->value)]);
            $month = $this->words->month($at + 1);
            $year = null === $month ? null : $this->year($at + 2);
            $which = $this->words->is($at + 1, 'this', 'next') ? 1 : 0;
            if (null !== $month) {
                $inYear = new Rule(Frequency::Yearly, days: $rule->days, monthDays: $rule->monthDays, month: $month, position: $rule->position);
                if (null !== $year) {
                    yield from $this->nthIn($index, $at + 3, $inYear, LocalDate::on($year, 1, 1), $year);
                }
                yield from $this->nthIn($index, $at + 2, $inYear, $today);
            } elseif ($this->words->is($at + 1 + $which, 'month')) {
                $isNext = $this->words->is($at + 1, 'next');
                yield from $this->nthIn($index, $at + 2 + $which, $rule, $isNext ? $today->plusDays(1 - $today->day())->plusMonths(1) : $today);
            }
        }
    }

    private function ruleForDay(int $nth, bool $isWorking): Rule
    {
        return $isWorking
            ? new Rule(Frequency::Monthly, days: array_map(static fn (int $day): NthDay => new NthDay($day), $this->week->workingDays), position: $nth)
            : new Rule(Frequency::Monthly, monthDays: [$nth]);
    }

    /** @return iterable<Parsed<LocalDate>> */
    private function nthIn(int $index, int $next, Rule $rule, ?LocalDate $from, ?int $year = null): iterable
    {
        $date = null === $from ? null : $rule->first($from);
        if (null === $date || (null !== $year && $date->year() !== $year)) {
            $this->words->impossible($index, $next, '%s is not a day of the calendar.');
        } else {
            yield new Parsed($date, $next);
        }
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
        if (null !== $number) {
            yield new Parsed($number, $index + 1);
        }
    }

    private function year(int $index): ?int
    {
        $year = $this->words->at($index);

        return null !== $year?->number && 4 === mb_strlen($year->text) && !$this->words->isAfter($index, 'at') ? $year->number : null;
    }
}

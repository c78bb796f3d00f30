<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Grammar;

use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\English\Lexicon;
use ZippyTray\Core\Time\English\Sense;
use ZippyTray\Core\Time\English\Zones;
use ZippyTray\Core\Time\TimeSettings;

/**
 * Times of the day.
 *
 *     time   = moment | range
 *     range  = ["from" | "between"] clock ("-" | "to" | "until" | "and") clock [part] | clock "for" span
 *     moment = clock | part | part clock | clock part | "second" clock
 *     clock  = number ":" number [":" "00"] [half] | number "." number [half] | number half | number "h" [number] | four digits [half]
 *            | hour "o'clock" | ("half" | "quarter" | minutes) ("past" | "to") hour | "half" hour | mark | "midnight" | "at" hour
 *     part   = ["in"] ("morning" | "afternoon" | "evening" | "night") | mark
 *     mark   = "noon" | "lunchtime" | "end" ("day" | "business") | "eod" | "tonight" | "first thing" | "after lunch" | "late tonight"
 *     half   = "am" | "pm"
 *
 * Behind any clock may stand a zone. The word "at" is no lexeme: whether it stood before a number is known of that number.
 */
final readonly class TimeRules
{
    /** A bare hour up to this one is in the afternoon. */
    private const AFTERNOON = 7;

    /** Words besides numbers and names that a time can begin with. */
    private const BEGINNINGS = ['a', 'from', 'between', 'midnight', 'end', 'close', 'first', 'second', 'after', 'late', 'in'];

    private SpanRules $spans;

    /** @param int $offset of the one who writes, in minutes east of UTC: some names of zones mean several */
    public function __construct(private Lexemes $words, private TimeSettings $settings, private int $offset = 0)
    {
        $this->spans = new SpanRules($words);
    }

    /**
     * @param bool $isBeside whether a day stands beside it, so that a number alone may be an hour
     *
     * @return iterable<Parsed<ClockTime>>
     */
    public function at(int $index, bool $isBeside = false): iterable
    {
        $first = $this->words->peek($index);
        $isWord = LexemeKind::Word === $first?->kind
            && !Lexicon::isAny($first->lower, Sense::Number, Sense::Tens, Sense::Part, Sense::Mark, Sense::Minutes)
            && !\in_array($first->lower, self::BEGINNINGS, true);
        if (null === $first || $isWord || LexemeKind::Mark === $first->kind) {
            $this->words->at($index);

            return;
        }
        yield from $this->range($index, $isBeside);
        yield from $this->moment($index, $isBeside);
    }

    /** @return iterable<Parsed<ClockTime>> */
    private function moment(int $index, bool $isBeside): iterable
    {
        foreach ($this->clock($index, $isBeside) as $clock) {
            foreach ($this->part($clock->next) as $part) {
                yield $clock->as($this->within($clock->value, $part->value), $part->next);
            }
            yield $clock;
        }
        foreach ($this->part($index) as $part) {
            foreach ($this->clock($part->next, true) as $clock) {
                if (!$clock->value->isMark) {
                    yield $clock->as($this->within($clock->value, $part->value), $clock->next)->needs($part->need);
                }
            }
            yield $part->as(ClockTime::mark($this->settings->at($part->value)), $part->next);
        }
        // "3 in the afternoon" needs no "at".
        foreach ($this->hour($index) as $hour) {
            foreach ($this->part($hour->next) as $part) {
                $clock = $this->bare($hour->value);
                if (null !== $clock && DayMark::EndOfDay !== $part->value) {
                    yield $part->as($this->within($clock, $part->value), $part->next);
                }
            }
        }
        if ($this->words->is($index, 'second') && null !== $this->words->number($index + 1)) {
            foreach ($this->clock($index + 1, false) as $clock) {
                yield $clock->as($clock->value->secondTime(), $clock->next);
            }
        }
    }

    /**
     * "9-11", "2 to 4 pm", "from 9 to 11", "14:00 for 90 min".
     *
     * @return iterable<Parsed<ClockTime>>
     */
    private function range(int $index, bool $isBeside): iterable
    {
        $isBetween = $this->words->is($index, 'between');
        $lead = $isBetween || $this->words->is($index, 'from') ? 1 : 0;
        foreach ($this->clock($index + $lead, $isBeside || $lead > 0, true) as $start) {
            if ($start->value->isMark && 0 === $lead) {
                continue;
            }
            $is = $isBetween ? $this->words->is($start->next, 'and') : $this->words->is($start->next, '-', '–', '—', 'to', 'until', 'till');
            // "ten to nine" is a time.
            $isSpoken = 0 === $lead && $start->value->isBareHour && $this->words->is($start->next, 'to');
            foreach ($is ? $this->clock($start->next + 1, true) : [] as $end) {
                if ($isSpoken && $end->value->isBareHour && (!$isBeside || $start->value->hour() % 12 >= $end->value->hour() % 12)) {
                    continue;
                }
                foreach ($this->part($end->next) as $part) {
                    yield new Parsed(
                        $this->stretch($start->value, $this->within($end->value, $part->value)),
                        $part->next,
                        $start->isSecond,
                        $start->need,
                    );
                }
                // Numbers alone on both sides may count something.
                $need = $start->value->isBareHour && $end->value->isBareHour && !$isBeside && 0 === $lead ? Need::Lead : Need::Nothing;
                yield new Parsed($this->stretch($start->value, $end->value), $end->next, $start->isSecond, $start->need->and($need));
            }
            if (0 === $lead && !$this->words->isProse && $this->words->is($start->next, 'for')) {
                foreach ($this->spans->at($start->next + 1) as $span) {
                    if ($span->value->minutes > 0 && !$span->value->hasDays()) {
                        yield $start->as($start->value->lasting($span->value->minutes), $span->next);
                    }
                }
            }
        }
    }

    /** The half of the day of what begins follows from that of its end. */
    private function stretch(ClockTime $start, ClockTime $end): ClockTime
    {
        if ($start->isBareHour && !$end->isBareHour && !$end->isAsWritten && $end->hour() >= 12) {
            [$from, $to] = [$start->hour() % 12, $end->hour() % 12];
            $isAfternoon = $from <= $to;
            $start = $isAfternoon ? $start->inAfternoon() : $start->inMorning();
        } elseif ($start->isBareHour && !$end->isBareHour && !$end->isAsWritten) {
            $start = $start->inMorning();
        } elseif ($end->isBareHour && (string) $end->time <= (string) $start->time && $end->hour() < 12) {
            $end = $end->inAfternoon();
        }

        return $start->until($end);
    }

    /**
     * A part of the day.
     *
     * @return iterable<Parsed<DayMark>>
     */
    public function part(int $index): iterable
    {
        if ($this->words->is($index, 'end', 'close') && $this->words->is($index + 1, 'day', 'business', 'play')) {
            yield new Parsed(DayMark::EndOfDay, $index + 2);
        }
        if ($this->words->is($index, 'first') && $this->words->is($index + 1, 'thing')) {
            $in = $this->words->is($index + 2, 'in') ? 1 : 0;
            if ($this->words->is($index + 2 + $in, 'morning')) {
                yield new Parsed(DayMark::Morning, $index + 3 + $in);
            }
            yield new Parsed(DayMark::Morning, $index + 2);
        }
        if ($this->words->is($index, 'after') && $this->words->is($index + 1, 'lunch')) {
            yield new Parsed(DayMark::Afternoon, $index + 2);
        }
        if ($this->words->is($index, 'late') && $this->words->is($index + 1, 'tonight')) {
            yield new Parsed(DayMark::Tonight, $index + 2);
        }
        $mark = $this->words->name($index, Sense::Mark);
        if (null !== $mark && 'noon' !== $mark) {
            yield new Parsed(DayMark::from($mark), $index + 1);
        }
        $in = $this->words->is($index, 'in') ? 1 : 0;
        $part = $this->words->name($index + $in, Sense::Part);
        // "13pm" is no hour with a part of the day.
        if (null !== $part && (!$this->words->is($index + $in, 'am', 'pm') || null === $this->words->at($index - 1)?->number)) {
            yield new Parsed(DayMark::from($part), $index + $in + 1);
        }
    }

    /** A clock says more exactly when a part of the day is meant. */
    public function within(ClockTime $clock, DayMark $part): ClockTime
    {
        return DayMark::Morning === $part ? $clock->inMorning() : $clock->inAfternoon();
    }

    /**
     * @param bool $isBeside whether a number alone may be an hour
     * @param bool $isStart  of a stretch, so that a number alone may be one
     *
     * @return iterable<Parsed<ClockTime>>
     */
    private function clock(int $index, bool $isBeside, bool $isStart = false): iterable
    {
        foreach ($this->withoutZone($index, $isBeside, $isStart) as $clock) {
            $zone = $clock->value->isMark
                && !$this->words->is($index, 'noon')
                ? null
                : $this->words->name($clock->next, Sense::Zone) ?? ($this->words->isGlued($clock->next, 'z') ? 'z' : null);
            if (null !== $zone) {
                yield $clock->as($clock->value->in(Zones::of($zone, $this->offset)), $clock->next + 1);
            }
            yield $clock;
        }
    }

    /** @return iterable<Parsed<ClockTime>> */
    private function withoutZone(int $index, bool $isBeside, bool $isStart): iterable
    {
        if ('noon' === $this->words->name($index, Sense::Mark)) {
            yield new Parsed(ClockTime::mark($this->settings->at(DayMark::Noon)), $index + 1);
        }
        if ($this->words->is($index, 'midnight')) {
            yield new Parsed(ClockTime::midnight(), $index + 1);
        }
        yield from $this->digits($index);
        yield from $this->spoken($index);
        $isAt = $this->words->isAfter($index, 'at');
        yield from $this->fourDigits($index, $isBeside || $isAt, $isAt);
        if (!$isAt && !$isBeside && !$isStart) {
            return;
        }
        foreach ($this->isOfMonth($index) ? [] : $this->hour($index) as $hour) {
            $clock = $this->bare($hour->value);
            if (null !== $clock) {
                yield $hour->as($clock, $hour->next)->needs($isAt || $isStart ? Need::Nothing : Need::Field);
            } elseif ($isAt) {
                $this->words->impossible($index, $hour->next, '%s is no hour of the day.');
            }
        }
    }

    /** "3 January", "3rd of July", "3–10 July": no hours. */
    private function isOfMonth(int $index): bool
    {
        $at = $index;
        do {
            if (null === $this->words->peek($at)?->number) {
                return false;
            }
            $at += $this->words->is($at + 1, 'st', 'nd', 'rd', 'th', '.') ? 2 : 1;
            if (null !== $this->words->month($at)) {
                return true;
            }
            $isPair = $at < $index + 3 && $this->words->is($at, '-', '–', '—', 'to', 'until', 'till', 'and');
            ++$at;
        } while ($isPair);

        return false;
    }

    /** @return iterable<Parsed<ClockTime>> */
    private function digits(int $index): iterable
    {
        $hour = $this->words->number($index);
        if (null === $hour || \strlen($this->words->at($index)->text ?? '') > 2) {
            return;
        }
        $mark = $this->words->isGlued($index + 1, ':', '.') ? $this->words->at($index + 1)?->lower : null;
        $minute = null === $mark || true !== $this->words->at($index + 2)?->glued ? null : $this->words->number($index + 2);
        if (null !== $minute && 2 === \strlen($this->words->at($index + 2)->text)) {
            $next = $index + 3;
            // Seconds of zero say nothing.
            if (':' === $mark
                && $this->words->isGlued($next, ':')
                && true === $this->words->at($next + 1)?->glued
                && 0 === $this->words->number($next + 1)) {
                $next += 2;
            }
            $half = $this->half($next);
            // An hour with a nought before it says which half of the day it is.
            $isAsWritten = $hour > 0 && $hour < 12 && !str_starts_with($this->words->at($index)->text ?? '', '0');
            if (null !== $half) {
                yield from $this->made($index, $next + 1, $this->inHalf($hour, $half), $minute);
            } elseif (':' === $mark) {
                yield from $this->made($index, $next, $hour, $minute, isAsWritten: $isAsWritten);
            } elseif ($hour <= 23 && $minute <= 59) {
                // 9.10 may be a date as well; after "at" it is none, and DateRules leaves it alone.
                $isPlain = $this->words->isAfter($index, 'at');
                foreach ($this->made($index, $next, $hour, $minute, !$isPlain && $minute <= 12, $isAsWritten) as $time) {
                    yield $time->needs($isPlain ? Need::Nothing : Need::Lead);
                }
            }
        }
        $half = $this->half($index + 1);
        if (null !== $half) {
            yield from $this->made($index, $index + 2, $this->inHalf($hour, $half), 0);
        }
        // "11 h 15", as French writes it.
        $minute = $hour > 7
            && $hour < 24
            && $this->words->is($index + 1, 'h')
            && 2 === \strlen($this->words->at($index + 2)->text ?? '')
            ? $this->words->number($index + 2)
            : null;
        if (null !== $minute) {
            yield from $this->made($index, $index + 3, $hour, $minute);
        }
        if ($this->words->isGlued($index + 1, 'h') && ($hour > 12 && $hour < 24 || $this->words->isAfter($index, 'at'))) {
            $minute = true === $this->words->at($index + 2)?->glued ? $this->words->number($index + 2) : null;
            if (null !== $minute) {
                yield from $this->made($index, $index + 3, $hour, $minute);
            }
            yield from $this->made($index, $index + 2, $hour, 0);
        }
    }

    /**
     * "1430", "0900", "1230pm", "1400 hrs".
     *
     * @return iterable<Parsed<ClockTime>>
     */
    private function fourDigits(int $index, bool $isBeside, bool $isAt): iterable
    {
        $number = $this->words->number($index);
        $length = \strlen($this->words->at($index)->text ?? '');
        if (null === $number || $length < 3 || $length > 4) {
            return;
        }
        [$hour, $minute] = [intdiv($number, 100), $number % 100];
        $half = $this->half($index + 1);
        if (null !== $half) {
            yield from $this->made($index, $index + 2, $this->inHalf($hour, $half), $minute);
        }
        if (4 !== $length) {
            return;
        }
        if ($this->words->is($index + 1, 'hrs', 'hours', 'h', 'hr')) {
            yield from $this->made($index, $index + 2, $hour, $minute);
        }
        // Behind a date without a year it is the year.
        $isYear = $number > 1899
            && $number < 2200
            && !$isAt
            && (null !== $this->words->month($index - 1) || null !== $this->words->number($index - 1) || $this->words->isGlued(
                $index - 1,
                'st',
                'nd',
                'rd',
                'th',
            ));
        if ($isBeside && !$isYear) {
            foreach (null === ClockTime::of($hour, $minute) ? [] : $this->made($index, $index + 1, $hour, $minute) as $time) {
                yield $time->needs($isAt ? Need::Nothing : Need::Field);
            }
        }
    }

    /** @return iterable<Parsed<ClockTime>> */
    private function spoken(int $index): iterable
    {
        foreach ($this->hour($index) as $hour) {
            $clock = $this->words->is($hour->next, "o'clock", 'oclock') ? $this->bare($hour->value) : null;
            if (null !== $clock) {
                yield new Parsed($clock, $hour->next + 1);
            }
        }
        $a = $this->words->is($index, 'a') ? 1 : 0;
        foreach ($this->minutes($index + $a) as $minutes) {
            if (!$this->words->is($minutes->next, 'past', 'to') || (30 === $minutes->value && $this->words->is($minutes->next, 'to'))) {
                continue;
            }
            foreach ($this->hour($minutes->next + 1) as $hour) {
                yield from $this->beforeOrAfter($hour, $this->words->is($minutes->next, 'to') ? -$minutes->value : $minutes->value);
            }
        }
        // "half 3" is half an hour to three.
        if ($this->words->is($index, 'half')) {
            foreach ($this->hour($index + 1) as $hour) {
                foreach ($this->beforeOrAfter($hour, -30) as $clock) {
                    yield $clock->as(new ClockTime($clock->value->time, isAsWritten: true), $clock->next)->needs(Need::Field);
                }
            }
        }
    }

    /**
     * @param Parsed<int> $hour
     *
     * @return iterable<Parsed<ClockTime>>
     */
    private function beforeOrAfter(Parsed $hour, int $minutes): iterable
    {
        $bare = $this->bare($hour->value);
        $at = null === $bare ? -1 : $bare->hour() * 60 + $minutes;
        $clock = $at < 0 ? null : ClockTime::of(intdiv($at, 60), $at % 60, true);
        if (null !== $clock) {
            yield new Parsed($clock, $hour->next);
        }
    }

    /** @return iterable<Parsed<int>> within an hour */
    private function minutes(int $index): iterable
    {
        $named = $this->words->int($index, Sense::Minutes);
        if (null !== $named) {
            yield new Parsed($named, $index + 1);
        }
        foreach ($this->words->is($index, 'a', 'an') ? [] : $this->spans->count($index) as $count) {
            $isSaid = $this->words->is($count->next, 'minutes', 'min') ? 1 : 0;
            // In prose "9 to 11" and "5 to 9" are stretches.
            $isStretch = $this->words->isProse && null !== $this->words->peek($index)?->number && $this->words->is($count->next, 'to');
            if ($count->value > 0 && $count->value < 30 && ($isSaid > 0 || (0 === $count->value % 5 && !$isStretch))) {
                yield $count->as($count->value, $count->next + $isSaid);
            }
        }
    }

    private function half(int $index): ?string
    {
        return $this->words->pick($index, ['am' => 'am', 'pm' => 'pm']);
    }

    /** @return int|null null when no clock shows such an hour before or after noon */
    private function inHalf(int $hour, string $half): ?int
    {
        return $hour < 1 || $hour > 12 ? null : $hour % 12 + ('pm' === $half ? 12 : 0);
    }

    /** @return iterable<Parsed<ClockTime>> */
    private function made(int $index, int $next, ?int $hour, int $minute, bool $isSecond = false, bool $isAsWritten = false): iterable
    {
        if (24 === $hour && 0 === $minute) {
            yield new Parsed(ClockTime::midnight(), $next, $isSecond);

            return;
        }
        $clock = null === $hour ? null : ClockTime::of($hour, $minute, isAsWritten: $isAsWritten);
        if (null === $clock) {
            $this->words->impossible($index, $next, '%s is no time of the day.');
        } else {
            yield new Parsed($clock, $next, $isSecond);
        }
    }

    /** @return iterable<Parsed<int>> */
    private function hour(int $index): iterable
    {
        $hour = \strlen($this->words->at($index)->text ?? '') > 2
            && null !== $this->words->number($index)
            ? null
            : $this->words->number($index) ?? $this->words->int($index, Sense::Number);
        if (null !== $hour && $hour < 100) {
            yield new Parsed($hour, $index + 1);
        }
    }

    private function bare(int $hour): ?ClockTime
    {
        return $hour < 1 ? null : ClockTime::of($hour <= self::AFTERNOON ? $hour + 12 : $hour, 0, true);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\When;

use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\TimeSettings;

/**
 * Times of the day.
 *
 *     time  = clock | part | part clock | clock part | "second" clock
 *     clock = number ":" number [half] | number "." number half | number half | number "h" [number]
 *           | hour "o'clock" | ("half" | "quarter") ("past" | "to") hour | "noon" | "midnight" | "at" hour
 *     part  = ["in"] ("morning" | "afternoon" | "evening" | "night") | "end day" | "eod"
 *     half  = "am" | "pm"
 *
 * The word "at" is no lexeme: whether it stood before a number is known of that number.
 */
final readonly class TimeRules
{
    /** A bare hour up to this one is in the afternoon. */
    private const AFTERNOON = 7;

    public function __construct(private Lexemes $words, private TimeSettings $settings)
    {
    }

    /** @return iterable<Parsed<Clock>> */
    public function at(int $index): iterable
    {
        foreach ($this->clock($index) as $clock) {
            foreach ($this->part($clock->next) as $part) {
                yield new Parsed($this->within($clock->value, $part->value), $part->next, $clock->isSecond);
            }
            yield $clock;
        }
        foreach ($this->part($index) as $part) {
            foreach ($this->clock($part->next) as $clock) {
                yield new Parsed($this->within($clock->value, $part->value), $clock->next, $clock->isSecond);
            }
            yield new Parsed(new Clock($this->settings->at($part->value)), $part->next);
        }
        // "3 in the afternoon" needs no "at".
        foreach ($this->hour($index) as $hour) {
            foreach ($this->part($hour->next) as $part) {
                $clock = $this->bare($hour->value);
                if (null !== $clock && DayMark::EndOfDay !== $part->value) {
                    yield new Parsed($this->within($clock, $part->value), $part->next);
                }
            }
        }
        if ($this->words->is($index, 'second') && null !== $this->words->number($index + 1)) {
            foreach ($this->clock($index + 1) as $clock) {
                yield new Parsed($clock->value->secondTime(), $clock->next);
            }
        }
    }

    /**
     * A part of the day.
     *
     * @return iterable<Parsed<DayMark>>
     */
    public function part(int $index): iterable
    {
        if ($this->words->is($index, 'eod') || ($this->words->is($index, 'end') && $this->words->is($index + 1, 'day', 'business'))) {
            yield new Parsed(DayMark::EndOfDay, $this->words->is($index, 'eod') ? $index + 1 : $index + 2);
        }
        $in = $this->words->is($index, 'in') ? 1 : 0;
        $mark = $this->words->pick($index + $in, ['morning' => DayMark::Morning, 'afternoon' => DayMark::Afternoon, 'evening' => DayMark::Evening, 'night' => DayMark::Tonight]);
        if (null !== $mark) {
            yield new Parsed($mark, $index + $in + 1);
        }
    }

    /** A clock says more exactly when a part of the day is meant. */
    public function within(Clock $clock, DayMark $part): Clock
    {
        return DayMark::Morning === $part ? $clock->inMorning() : $clock->inAfternoon();
    }

    /** @return iterable<Parsed<Clock>> */
    private function clock(int $index): iterable
    {
        if ($this->words->is($index, 'noon', 'midday')) {
            yield new Parsed(new Clock($this->settings->at(DayMark::Noon)), $index + 1);
        }
        if ($this->words->is($index, 'midnight')) {
            yield new Parsed(Clock::midnight(), $index + 1);
        }
        yield from $this->digits($index);
        yield from $this->spoken($index);
        if ($this->words->isAfter($index, 'at')) {
            foreach ($this->hour($index) as $hour) {
                $clock = $this->bare($hour->value);
                if (null === $clock) {
                    $this->words->impossible($index, $hour->next, '%s is no hour of the day.');
                } else {
                    yield new Parsed($clock, $hour->next);
                }
            }
        }
    }

    /** @return iterable<Parsed<Clock>> */
    private function digits(int $index): iterable
    {
        $hour = $this->words->number($index);
        if (null === $hour) {
            return;
        }
        $mark = $this->words->isGlued($index + 1, ':', '.') ? $this->words->at($index + 1)?->lower : null;
        $minute = null === $mark || true !== $this->words->at($index + 2)?->glued ? null : $this->words->number($index + 2);
        if (null !== $minute && 2 === mb_strlen($this->words->at($index + 2)->text)) {
            $half = $this->half($index + 3);
            if (null !== $half) {
                yield from $this->made($index, $index + 4, $this->inHalf($hour, $half), $minute);
            } elseif (':' === $mark) {
                yield from $this->made($index, $index + 3, $hour, $minute);
            } elseif ($hour <= 23 && $minute <= 59) {
                // 9.10 may be a date as well; after "at" it is none, and DayRules leaves it alone.
                yield from $this->made($index, $index + 3, $hour, $minute, !$this->words->isAfter($index, 'at'));
            }
        }
        $half = $this->half($index + 1);
        if (null !== $half) {
            yield from $this->made($index, $index + 2, $this->inHalf($hour, $half), 0);
        }
        if ($this->words->isGlued($index + 1, 'h') && ($hour > 12 && $hour < 24 || $this->words->isAfter($index, 'at'))) {
            $minute = true === $this->words->at($index + 2)?->glued ? $this->words->number($index + 2) : null;
            if (null !== $minute) {
                yield from $this->made($index, $index + 3, $hour, $minute);
            }
            yield from $this->made($index, $index + 2, $hour, 0);
        }
    }

    /** @return iterable<Parsed<Clock>> */
    private function spoken(int $index): iterable
    {
        foreach ($this->hour($index) as $hour) {
            $clock = $this->words->is($hour->next, "o'clock", 'oclock') ? $this->bare($hour->value) : null;
            if (null !== $clock) {
                yield new Parsed($clock, $hour->next + 1);
            }
        }
        $a = $this->words->is($index, 'a') ? 1 : 0;
        $minutes = $this->words->pick($index + $a, ['half' => 30, 'quarter' => 15]);
        if (null === $minutes || !$this->words->is($index + $a + 1, 'past', 'to') || (30 === $minutes && $this->words->is($index + $a + 1, 'to'))) {
            return;
        }
        foreach ($this->hour($index + $a + 2) as $hour) {
            $bare = $this->bare($hour->value);
            if (null !== $bare) {
                $at = (int) substr((string) $bare->time, 0, 2) * 60 + ($this->words->is($index + $a + 1, 'to') ? -$minutes : $minutes);
                $clock = Clock::of(intdiv($at, 60), $at % 60, true);
                if (null !== $clock) {
                    yield new Parsed($clock, $hour->next);
                }
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

    /** @return iterable<Parsed<Clock>> */
    private function made(int $index, int $next, ?int $hour, int $minute, bool $isSecond = false): iterable
    {
        if (24 === $hour && 0 === $minute) {
            yield new Parsed(Clock::midnight(), $next, $isSecond);

            return;
        }
        $clock = null === $hour ? null : Clock::of($hour, $minute);
        if (null === $clock) {
            $this->words->impossible($index, $next, '%s is no time of the day.');
        } else {
            yield new Parsed($clock, $next, $isSecond);
        }
    }

    /** @return iterable<Parsed<int>> */
    private function hour(int $index): iterable
    {
        $hour = $this->words->count($index);
        if (null !== $hour) {
            yield new Parsed($hour, $index + 1);
        }
    }

    private function bare(int $hour): ?Clock
    {
        return $hour < 1 ? null : Clock::of($hour <= self::AFTERNOON ? $hour + 12 : $hour, 0, true);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Words;

use ZippyTray\Core\Time\Day\After;
use ZippyTray\Core\Time\Day\Day;
use ZippyTray\Core\Time\Day\DayOfMonth;
use ZippyTray\Core\Time\Day\DayOfYear;
use ZippyTray\Core\Time\Day\EndOfMonth;
use ZippyTray\Core\Time\Day\FromToday;
use ZippyTray\Core\Time\Day\NthWeekday;
use ZippyTray\Core\Time\Day\Period;
use ZippyTray\Core\Time\Day\Unit;
use ZippyTray\Core\Time\Day\Weekday;

/**
 * Reads days out of English text.
 */
final readonly class DayReader
{
    private const HOLIDAYS = ['christmas eve' => [24, 12], 'christmas day' => [25, 12], 'christmas' => [25, 12], 'boxing day' => [26, 12], 'new year\'s eve' => [31, 12], 'new year\'s day' => [1, 1], 'new year' => [1, 1]];

    /** @param bool $dayFirst whether 4/12 is the fourth of December */
    public function __construct(private bool $dayFirst = true)
    {
    }

    /** The longest day that begins at this token; null when none does. */
    public function at(Tokens $tokens, int $index): ?DayWords
    {
        return $this->relative($tokens, $index)
            ?? $this->counted($tokens, $index)
            ?? $this->numeric($tokens, $index)
            ?? $this->nthWeekday($tokens, $index)
            ?? $this->endOf($tokens, $index)
            ?? $this->named($tokens, $index)
            ?? $this->weekday($tokens, $index)
            ?? $this->period($tokens, $index)
            ?? $this->dayOfMonth($tokens, $index);
    }

    private function relative(Tokens $tokens, int $index): ?DayWords
    {
        $the = $tokens->read($index, 'the') ? 1 : 0;
        if ($tokens->read($index + $the, 'day', 'after', 'tomorrow')) {
            return new DayWords(new FromToday(2), $index + $the + 3);
        }
        if ($tokens->read($index + $the, 'day', 'before', 'yesterday')) {
            return new DayWords(new FromToday(-2), $index + $the + 3);
        }
        $days = match ($tokens->at($index)?->lower) {
            'today', "today's", 'tonight', "tonight's" => 0,
            'tomorrow', "tomorrow's", 'tmrw' => 1,
            'yesterday', "yesterday's" => -1,
            default => null,
        };
        if (null === $days && $tokens->read($index, 'this', 'morning|afternoon|evening')) {
            return new DayWords(new FromToday(0), $index + 1);
        }

        return null === $days ? null : new DayWords(new FromToday($days), $index + ($tokens->read($index, "tonight|tonight's") ? 0 : 1));
    }

    /** "in 3 days", "within ten working days", "two weeks ago", "a week from Friday", "in two weeks' time". */
    private function counted(Tokens $tokens, int $index): ?DayWords
    {
        $at = $index;
        $leads = $tokens->read($at, 'in|within') ? 1 : 0;
        $at += $leads;
        while ($leads > 0 && $tokens->read($at, 'the|next|coming|about|around')) {
            ++$at;
        }
        if (0 === $leads && $tokens->read($at, 'the', 'next') && null !== Vocabulary::count($tokens->at($at + 2))) {
            $at += 2;
            $leads = 1;
        }
        $count = Vocabulary::count($tokens->at($at));
        $at += $count > 0 ? 1 : 0;
        if (null !== $count && $tokens->read($at, 'couple', 'of')) {
            [$count, $at] = [2, $at + 2];
        }
        if (1 === $count && $tokens->read($at, 'half')) {
            return null;
        }
        $isWorking = $tokens->read($at, 'working|business|work');
        $at += $isWorking ? 1 : 0;
        if ($count > 0 && $tokens->read($at, 'hours|hrs|hour') && 0 === $count % 24) {
            [$count, $unit] = [intdiv($count, 24), Unit::Day];
        } else {
            $unit = Vocabulary::unit($tokens->at($at));
        }
        $isShort = \in_array($tokens->at($at)->lower ?? '', ['d', 'w'], true);
        if (null === $count || null === $unit || $count > 1000 || $isShort) {
            return null;
        }
        ++$at;
        $unit = $isWorking && Unit::Day === $unit ? Unit::WorkingDay : $unit;
        if ($tokens->read($at, 'time') && $leads > 0) {
            return new DayWords(new FromToday($count, $unit), $at + 1);
        }
        if ($tokens->read($at, "'|’", 'time') && $leads > 0) {
            return new DayWords(new FromToday($count, $unit), $at + 2);
        }
        if ($tokens->read($at, 'ago')) {
            return new DayWords(new FromToday(-$count, $unit), $at + 1);
        }
        if ($tokens->read($at, 'from|after')) {
            $from = $tokens->read($at + 1, 'now') ? new DayWords(new FromToday(0), $at + 2) : $this->at($tokens, $at + 1);

            return null === $from || $from->vague ? null : new DayWords(new After($from->day, $count, $unit), $from->next);
        }
        if ($leads > 0 && $tokens->read($at, 'of')) {
            return null;
        }

        return 0 === $leads ? null : new DayWords(new FromToday($count, $unit), $at);
    }

    /** 2026-11-27, 27/11/2026, 27/11, 27.11. */
    private function numeric(Tokens $tokens, int $index): ?DayWords
    {
        $token = $tokens->at($index);
        if (null === $token) {
            return null;
        }
        $parts = $token->parts;
        $date = match ($token->kind) {
            TokenKind::Iso => [$parts[2], $parts[1], $parts[0]],
            TokenKind::Triple => [...$this->ordered($parts[0], $parts[1], str_contains($token->text, '.')), $parts[2] < 100 ? 2000 + $parts[2] : $parts[2]],
            TokenKind::Pair => [...$this->ordered($parts[0], $parts[1], str_contains($token->text, '.')), null],
            default => null,
        };
        if (null === $date || $date[0] < 1 || $date[0] > 31 || $date[1] < 1 || $date[1] > 12) {
            return null;
        }
        // Only a full stop behind it, and not one that ends the sentence, makes 27.11. a date by itself.
        $stop = TokenKind::Pair === $token->kind && str_contains($token->text, '.') && $tokens->read($index + 1, '.') && $tokens->at($index + 1)?->from === $token->to;

        return new DayWords(new DayOfYear($date[0], $date[1], $date[2]), $index + ($stop ? 2 : 1), TokenKind::Pair === $token->kind && !$stop);
    }

    /** @return array{int, int} day, month */
    private function ordered(int $first, int $second, bool $dots): array
    {
        $dayFirst = ($this->dayFirst || $dots || $first > 12) && $second <= 12;

        return $dayFirst ? [$first, $second] : [$second, $first];
    }

    /** "the first Monday of January", "the last Friday of the month". */
    private function nthWeekday(Tokens $tokens, int $index): ?DayWords
    {
        $at = $index + ($tokens->read($index, 'the') ? 1 : 0);
        $nth = Vocabulary::nth($tokens->at($at));
        $weekday = Vocabulary::weekday($tokens->at($at + 1));
        if (null === $nth || null === $weekday || $nth > 5 || !$tokens->read($at + 2, 'of|in')) {
            return null;
        }
        $month = Vocabulary::month($tokens->at($at + 3));
        if (null !== $month) {
            return new DayWords(new NthWeekday($nth, $weekday, $month), $at + 4);
        }

        return match (true) {
            $tokens->read($at + 3, 'the|this', 'month') => new DayWords(new NthWeekday($nth, $weekday, null), $at + 5),
            $tokens->read($at + 3, 'next', 'month') => new DayWords(new NthWeekday($nth, $weekday, null, 1), $at + 5),
            default => null,
        };
    }

    /** "end of the month", "the end of next week", "the beginning of January", "month end". */
    private function endOf(Tokens $tokens, int $index): ?DayWords
    {
        $at = $index + ($tokens->read($index, 'the') ? 1 : 0);
        if ($tokens->read($at, 'eow')) {
            return new DayWords(Period::end(Unit::Week, 0), $at + 1);
        }
        if ($tokens->read($at, 'eom')) {
            return new DayWords(Period::end(Unit::Month, 0), $at + 1);
        }
        $isEnd = $tokens->read($at, 'end|close');
        if (!$isEnd && !$tokens->read($at, 'beginning|start')) {
            return null;
        }
        ++$at;
        $at += $tokens->read($at, 'of') ? 1 : 0;
        $which = $tokens->read($at, 'the|this|next|that') ? $tokens->at($at)?->lower : null;
        $at += null === $which ? 0 : 1;
        $ahead = 'next' === $which ? 1 : 0;
        $unit = Vocabulary::unit($tokens->at($at));
        if (null !== $unit && Unit::Day !== $unit && null !== $which) {
            return new DayWords($isEnd ? Period::end($unit, $ahead) : Period::beginning($unit, $ahead), $at + 1);
        }
        $month = null === $which ? Vocabulary::month($tokens->at($at)) : null;
        if (null === $month) {
            return null;
        }
        $year = $this->year($tokens, $at + 1);

        return new DayWords(new EndOfMonth($month, $year?->parts[0], !$isEnd), $at + (null === $year ? 1 : 2));
    }

    /** "4 December", "the 4th of December 2026", "December 4th, 2026", "Friday, 4 Dec". */
    private function named(Tokens $tokens, int $index): ?DayWords
    {
        $at = $index;
        $weekday = Vocabulary::weekday($tokens->at($at));
        if (null !== $weekday) {
            ++$at;
            while ($tokens->read($at, ',|.|the|(|-|–')) {
                ++$at;
            }
        } elseif ($tokens->read($at, 'the')) {
            ++$at;
        }
        $found = $this->stretch($tokens, $at, $weekday) ?? $this->dayThenMonth($tokens, $at, $weekday) ?? $this->monthThenDay($tokens, $at, $weekday) ?? $this->holiday($tokens, $at);
        if (null !== $found || null === $weekday) {
            return $found;
        }
        $token = $tokens->at($at);
        if (TokenKind::Ordinal === $token?->kind && $token->parts[0] >= 1 && $token->parts[0] <= 31) {
            return new DayWords(new DayOfMonth($token->parts[0], $weekday), $at + 1);
        }
        $numeric = $this->numeric($tokens, $at);

        return null === $numeric || $at > $index + 2 ? null : new DayWords($numeric->day, $numeric->next);
    }

    /** Of "Monday 7 to Wednesday 9 December" the first day counts. */
    private function stretch(Tokens $tokens, int $at, ?int $weekday): ?DayWords
    {
        $day = $this->dayNumber($tokens->at($at));
        if (null === $day || !$tokens->read($at + 1, 'to|until|till|and|or|-|–') || null === Vocabulary::weekday($tokens->at($at + 2))) {
            return null;
        }
        $end = $this->named($tokens, $at + 2);
        $month = null === $end ? null : Vocabulary::month($tokens->at($end->next - 1)) ?? Vocabulary::month($tokens->at($end->next - 2));

        return null === $end || null === $month ? null : new DayWords(new DayOfYear($day, $month, null, $weekday), $end->next);
    }

    private function dayThenMonth(Tokens $tokens, int $at, ?int $weekday): ?DayWords
    {
        $day = $this->dayNumber($tokens->at($at));
        if (null === $day) {
            return null;
        }
        ++$at;
        // Of "4 and 5 December" and "4-6 December" the first day counts.
        if ($tokens->read($at, '-|–|and|or|to|&|/') && null !== $this->dayNumber($tokens->at($at + 1)) && $this->monthBehind($tokens, $at + 2)) {
            $at += 2;
        }
        while ($tokens->read($at, 'of|.|-|/|,') && null !== Vocabulary::month($tokens->at($at + 1))) {
            ++$at;
        }
        $month = Vocabulary::month($tokens->at($at));
        if (null === $month) {
            return null;
        }

        return $this->withYear($tokens, $at + 1, $day, $month, $weekday);
    }

    private function monthBehind(Tokens $tokens, int $at): bool
    {
        return null !== Vocabulary::month($tokens->at($at)) || ($tokens->read($at, 'of|.') && null !== Vocabulary::month($tokens->at($at + 1)));
    }

    private function monthThenDay(Tokens $tokens, int $at, ?int $weekday): ?DayWords
    {
        $month = Vocabulary::month($tokens->at($at));
        if (null === $month) {
            return null;
        }
        ++$at;
        $at += $tokens->read($at, '.') ? 1 : 0;
        $at += $tokens->read($at, 'the') ? 1 : 0;
        $day = $this->dayNumber($tokens->at($at));
        if (null === $day) {
            return null;
        }
        ++$at;
        if ($tokens->read($at, '-|–|and|or|to|&') && null !== $this->dayNumber($tokens->at($at + 1)) && null === Vocabulary::month($tokens->at($at + 2))) {
            $at += 2;
        }

        return $this->withYear($tokens, $at, $day, $month, $weekday);
    }

    private function withYear(Tokens $tokens, int $at, int $day, int $month, ?int $weekday): DayWords
    {
        $at += $tokens->read($at, '.') && (null !== $this->year($tokens, $at + 1) || null !== $this->clockBehind($tokens, $at)) ? 1 : 0;
        $comma = $tokens->read($at, ',|-|/') ? 1 : 0;
        $year = $this->year($tokens, $at + $comma);

        return new DayWords(new DayOfYear($day, $month, $year?->parts[0], $weekday), null === $year ? $at : $at + $comma + 1);
    }

    private function clockBehind(Tokens $tokens, int $at): ?Token
    {
        $token = $tokens->at($at + 1);

        return TokenKind::Clock === $token?->kind ? $token : null;
    }

    private function dayNumber(?Token $token): ?int
    {
        $isNumber = TokenKind::Number === $token?->kind || TokenKind::Ordinal === $token?->kind;

        return $isNumber && $token->parts[0] >= 1 && $token->parts[0] <= 31 ? $token->parts[0] : null;
    }

    private function year(Tokens $tokens, int $at): ?Token
    {
        $token = $tokens->at($at);

        return TokenKind::Number === $token?->kind && $token->parts[0] >= 1900 && $token->parts[0] <= 2199 ? $token : null;
    }

    private function holiday(Tokens $tokens, int $index): ?DayWords
    {
        foreach (self::HOLIDAYS as $name => [$day, $month]) {
            $words = explode(' ', $name);
            $behind = $tokens->at($index + \count($words));
            $isName = TokenKind::Word === $behind?->kind && !$behind->is('and', 'or', 'at', 'we', 'i', 'you', 'if', 'because', 'please', 'is', 'was', 'but', 'this', 'at', 'so', 'would', 'will', 'for', 'to', 'in', 'with', 'as', 'then');
            if (!$isName && $tokens->read($index, ...$words) && true === $tokens->at($index)?->isCapital()) {
                return new DayWords(new DayOfYear($day, $month), $index + \count($words), 1 === \count($words) || str_ends_with($name, 'year'));
            }
        }

        return null;
    }

    /** "Friday", "this Friday", "next Friday", "Friday next week", "Friday in two weeks", "Friday week". */
    private function weekday(Tokens $tokens, int $index): ?DayWords
    {
        $at = $index;
        $on = $tokens->read($at + 2, 'on|,') ? 3 : 2;
        $beside = $tokens->read($at, 'next', 'week') ? Vocabulary::weekday($tokens->at($at + $on)) : null;
        if (null !== $beside) {
            return new DayWords(new Weekday($beside, 1), $at + $on + 1);
        }
        $week = match (true) {
            $tokens->read($at, 'next') => 1,
            $tokens->read($at, 'last') => -1,
            default => 0,
        };
        $at += $tokens->read($at, 'this', 'coming') ? 2 : ($tokens->read($at, 'next|last|this|coming') ? 1 : 0);
        $at += $at === $index && $tokens->read($at, 'the', 'coming|following') ? 2 : 0;
        $weekday = Vocabulary::weekday($tokens->at($at));
        if (null === $weekday) {
            return null;
        }
        ++$at;
        $at += $tokens->read($at, '.') && mb_strlen($tokens->at($at - 1)->text ?? '') < 5 && false === $tokens->at($at + 1)?->isCapital() ? 1 : 0;
        if ($tokens->read($at, 'of', 'next', 'week')) {
            return new DayWords(new Weekday($weekday, 1), $at + 3);
        }
        if ($tokens->read($at, 'next', 'week')) {
            return new DayWords(new Weekday($weekday, 1), $at + 2);
        }
        if ($tokens->read($at, 'this', 'week') || $tokens->read($at, 'last', 'week')) {
            return new DayWords(new Weekday($weekday, $tokens->read($at, 'last') ? -1 : 0), $at + 2);
        }
        if ($tokens->read($at, 'week') && !$tokens->read($at + 1, 'end')) {
            return new DayWords(new Weekday($weekday, 0, 1), $at + 1);
        }
        $count = $tokens->read($at, 'in') ? Vocabulary::count($tokens->at($at + 1)) : null;
        if (null !== $count && Unit::Week === Vocabulary::unit($tokens->at($at + 2))) {
            return new DayWords(new Weekday($weekday, 0, $count), $at + 3);
        }

        return new DayWords(new Weekday($weekday, $week, 0, $tokens->read($index, 'this|the')), $at);
    }

    /** "next week", "this week", "this weekend", "next month": a stretch of time rather than a day. */
    private function period(Tokens $tokens, int $index): ?DayWords
    {
        $at = $index + ($tokens->read($index, 'early|later|sometime', 'next|this') ? 1 : 0);
        $the = $tokens->read($at, 'the|at') ? 1 : 0;
        if ($tokens->read($at + $the, 'weekend')) {
            return $the > 0 ? new DayWords(Period::weekend(0), $at + 2, true) : null;
        }
        if (!$tokens->read($at, 'this|next')) {
            return null;
        }
        $ahead = $tokens->read($at, 'next') ? 1 : 0;
        if ($tokens->read($at + 1, 'weekend')) {
            return new DayWords(Period::weekend($ahead), $at + 2);
        }
        $unit = Vocabulary::unit($tokens->at($at + 1));
        if (null === $unit || Unit::Day === $unit || Unit::Fortnight === $unit || (0 === $ahead && Unit::Week !== $unit)) {
            return null;
        }

        return new DayWords(0 === $ahead ? Period::end($unit, 0) : Period::beginning($unit, 1), $at + 2, true);
    }

    /** "the 15th". */
    private function dayOfMonth(Tokens $tokens, int $index): ?DayWords
    {
        $the = $tokens->read($index, 'the') ? 1 : 0;
        $token = $tokens->at($index + $the);
        if (TokenKind::Ordinal !== $token?->kind || $token->parts[0] < 1 || $token->parts[0] > 31) {
            return null;
        }
        $next = $tokens->at($index + $the + 1);
        // "the 15th edition", "the 2nd floor"
        $isCounted = TokenKind::Word === $next?->kind && !$next->is('and', 'or', 'to', 'at', 'of', 'if', 'so', 'but', 'as', 'because', 'for', 'from', 'please', 'is', 'was', 'will', 'would', 'in', 'with', 'when', 'then', 'otherwise', 'i', 'we', 'you', 'they', 'it', 'he', 'she', 'this', 'next', 'before', 'after', 'works', 'suits', 'until', 'by', 'instead', 'rather', 'which', 'that', 'since', 'latest', 'onwards', 'morning', 'afternoon', 'evening', 'noon', 'can', 'could', 'not', 'only');
        if ($isCounted || $tokens->read($index + $the + 1, 'of') && !$tokens->read($index + $the + 2, 'this|next|the', 'month') || $tokens->read($index + $the + 1, '-')) {
            return null;
        }
        $ahead = $tokens->read($index + $the + 1, 'of', 'next', 'month') ? 1 : 0;
        $tail = $tokens->read($index + $the + 1, 'of', 'this|next|the', 'month') ? 3 : 0;

        return new DayWords(new DayOfMonth($token->parts[0], null, $ahead), $index + $the + 1 + $tail, 0 === $the);
    }
}

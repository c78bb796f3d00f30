<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Words;

use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\TimeOfDay;

/**
 * Reads times of the day out of English text: "15:00", "3pm", "half past two", "noon", "end of day".
 */
final readonly class TimeReader
{
    private const HOURS = ['one' => 1, 'two' => 2, 'three' => 3, 'four' => 4, 'five' => 5, 'six' => 6, 'seven' => 7, 'eight' => 8, 'nine' => 9, 'ten' => 10, 'eleven' => 11, 'twelve' => 12];

    /** A bare hour up to this one is in the afternoon. */
    private const AFTERNOON = 7;

    /**
     * The time that begins at this token; null when none does. Of a stretch ("2 to 4 pm") it is the beginning.
     *
     * @param bool $bareHour whether "at" or the like stands before it, so that a number alone is an hour
     */
    public function at(Tokens $tokens, int $index, bool $bareHour = false): ?TimeWords
    {
        return $this->mark($tokens, $index)
            ?? $this->clock($tokens, $index)
            ?? $this->spoken($tokens, $index)
            ?? $this->oClock($tokens, $index)
            ?? $this->stretch($tokens, $index, $bareHour)
            ?? ($bareHour ? $this->bare($tokens, $index) : null);
    }

    /** The names of parts of the day. */
    private function mark(Tokens $tokens, int $index): ?TimeWords
    {
        $token = $tokens->at($index);
        $single = match ($token?->lower) {
            'noon', 'midday', 'lunchtime' => DayMark::Noon,
            'tonight' => DayMark::Tonight,
            'eod', 'cob', 'eob' => DayMark::EndOfDay,
            default => null,
        };
        if (null !== $single) {
            return new TimeWords($single->usual(), $index + 1);
        }
        $the = $tokens->read($index, 'the') ? 1 : 0;
        if ($tokens->read($index + $the, 'end|close', 'of', 'day|business|play')) {
            return new TimeWords(DayMark::EndOfDay->usual(), $index + $the + 3);
        }
        if ($tokens->read($index + $the, 'end|close', 'of', 'the', 'day')) {
            return new TimeWords(DayMark::EndOfDay->usual(), $index + $the + 4);
        }
        if ($tokens->read($index, 'first', 'thing')) {
            return new TimeWords(DayMark::Morning->usual(), $index + ($tokens->read($index + 2, 'in', 'the', 'morning') ? 5 : 2));
        }
        $in = $tokens->read($index, 'in', 'the') ? 2 : 0;
        $part = match ($tokens->at($index + $in)?->lower) {
            'morning' => DayMark::Morning,
            'lunch' => DayMark::Noon,
            'afternoon' => DayMark::Afternoon,
            'evening' => DayMark::Evening,
            default => null,
        };
        if (null === $part) {
            return null;
        }
        // "Friday afternoon at 3": the clock says it more exactly.
        $at = $tokens->read($index + $in + 1, 'at') ? $this->at($tokens, $index + $in + 2, true) : null;

        return $at ?? new TimeWords($part->usual(), $index + $in + 1, true);
    }

    private function clock(Tokens $tokens, int $index): ?TimeWords
    {
        $token = $tokens->at($index);
        if (TokenKind::Pair === $token?->kind && str_contains($token->text, '.') && 1 === preg_match('/\.\d\d$/', $token->text)) {
            // 15.30 is a time where a time can stand; the one who asks knows.
            $time = $this->time($token->parts[0], $token->parts[1]);

            return null === $time ? null : new TimeWords($time, $index + 1, true);
        }
        if (TokenKind::Clock !== $token?->kind) {
            return null;
        }
        [$hour, $minute] = [$token->parts[0], $token->parts[1] ?? 0];
        if (1 === preg_match('/^\d{4}/', $token->lower)) {
            [$hour, $minute] = [intdiv($hour, 100), $hour % 100];
        }
        $half = 1 === preg_match('/([ap])\.?m/', $token->lower, $m) ? $m[1] : null;
        if (null !== $half && ($hour < 1 || $hour > 12)) {
            $half = null;
        }
        $hour = match ($half) {
            'a' => 12 === $hour ? 0 : $hour,
            'p' => 12 === $hour ? 12 : $hour + 12,
            default => $hour,
        };
        $time = $this->time($hour, $minute);
        $end = $this->endOfStretch($tokens, $index + 1);

        return null === $time ? null : new TimeWords($time, $end);
    }

    /** "half past two", "quarter to nine", "ten past eight". */
    private function spoken(Tokens $tokens, int $index): ?TimeWords
    {
        $at = $index + ($tokens->read($index, 'a') ? 1 : 0);
        $minutes = match (true) {
            $tokens->read($at, 'half') => 30,
            $tokens->read($at, 'quarter') => 15,
            $tokens->read($at, 'five|ten|twenty') => ['five' => 5, 'ten' => 10, 'twenty' => 20][$tokens->at($at)->lower ?? ''] ?? null,
            default => null,
        };
        if (null === $minutes || !$tokens->read($at + 1, 'past|to')) {
            return null;
        }
        $hour = $this->hour($tokens->at($at + 2));
        if (null === $hour || (30 === $minutes && $tokens->read($at + 1, 'to'))) {
            return null;
        }
        $total = $this->inDay($hour) * 60 + ($tokens->read($at + 1, 'to') ? -$minutes : $minutes);
        $time = $this->time(intdiv($total, 60), $total % 60);

        return null === $time ? null : new TimeWords($time, $at + 3);
    }

    /** "ten o'clock", "3 o'clock in the afternoon". */
    private function oClock(Tokens $tokens, int $index): ?TimeWords
    {
        $hour = $this->hour($tokens->at($index));
        if (null === $hour || !$tokens->read($index + 1, "o'clock|oclock")) {
            return null;
        }
        $time = $this->time($this->inDay($hour, $tokens->read($index + 2, 'in', 'the', 'morning')), 0);
        $tail = $tokens->read($index + 2, 'in', 'the', 'morning|afternoon|evening') ? 3 : 0;

        return null === $time ? null : new TimeWords($time, $index + 2 + $tail);
    }

    /** "2-4pm", "2 to 4 pm", "between 2 and 4". */
    private function stretch(Tokens $tokens, int $index, bool $bareHour): ?TimeWords
    {
        $hour = $this->hour($tokens->at($index));
        if (null === $hour || !$tokens->read($index + 1, '-|–|to|and')) {
            return null;
        }
        $end = $tokens->at($index + 2);
        if (TokenKind::Clock === $end?->kind) {
            $until = $this->clock($tokens, $index + 2);
            $isAfternoon = null !== $until && (string) $until->time >= '12:00' && $hour < 12 && $hour <= ($end->parts[0] % 12 ?: 12);
            $time = $this->time($isAfternoon ? $hour + 12 : $hour, 0);

            return null === $time ? null : new TimeWords($time, $index + 3);
        }
        if ($bareHour && null !== $this->hour($end) && !$this->isCounted($tokens->at($index + 3))) {
            $time = $this->time($this->inDay($hour), 0);

            return null === $time ? null : new TimeWords($time, $index + 3, true);
        }

        return null;
    }

    private function bare(Tokens $tokens, int $index): ?TimeWords
    {
        $hour = $this->hour($tokens->at($index));
        if (null === $hour || $this->isCounted($tokens->at($index + 1)) || $tokens->read($index + 1, '%|€|$|£|,|.') && TokenKind::Number === $tokens->at($index + 2)?->kind) {
            return null;
        }
        $tail = $tokens->read($index + 1, 'in', 'the', 'morning|afternoon|evening') ? 3 : 0;
        $time = $this->time($this->inDay($hour, $tail > 0 && $tokens->read($index + 3, 'morning')), 0);

        return null === $time ? null : new TimeWords($time, $index + 1 + $tail, true);
    }

    /** "at 3 places" is no time. */
    private function isCounted(?Token $next): bool
    {
        return TokenKind::Word === $next?->kind && !$next->is('on', 'in', 'at', 'and', 'or', 'to', 'for', 'with', 'if', 'so', 'but', 'today', 'tomorrow', 'tonight', 'this', 'next', 'as', 'until', 'till', 'sharp', 'please', 'would', 'is', 'will', 'when', 'because', 'instead', 'by', 'then', 'from', 'the', 'works', 'suits', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday', 'latest', 'we', 'i', 'you', 'it', 'he', 'she', 'they', 'rather', 'or', 'where', 'who', 'which', 'that', 'before', 'after', 'not', 'already', 'once', 'can');
    }

    private function endOfStretch(Tokens $tokens, int $index): int
    {
        if (!$tokens->read($index, '-|–|to|until|till|and')) {
            return $index;
        }

        return TokenKind::Clock === $tokens->at($index + 1)?->kind || (TokenKind::Pair === $tokens->at($index + 1)?->kind) ? $index + 2 : $index;
    }

    private function hour(?Token $token): ?int
    {
        $hour = TokenKind::Number === $token?->kind && mb_strlen($token->text) <= 2 ? $token->parts[0] : self::HOURS[$token->lower ?? ''] ?? null;

        return null !== $hour && $hour <= 23 && $hour > 0 ? $hour : null;
    }

    private function inDay(int $hour, bool $morning = false): int
    {
        return $hour <= self::AFTERNOON && !$morning ? $hour + 12 : $hour;
    }

    private function time(int $hour, int $minute): ?TimeOfDay
    {
        return $hour >= 0 && $hour <= 23 && $minute >= 0 && $minute <= 59 ? TimeOfDay::parse(\sprintf('%02d:%02d', $hour, $minute)) : null;
    }
}

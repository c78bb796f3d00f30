<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

use ZippyTray\Core\Time\Day\Day;
use ZippyTray\Core\Time\Day\FromToday;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Time\Words\DayReader;
use ZippyTray\Core\Time\Words\DayWords;
use ZippyTray\Core\Time\Words\TimeReader;
use ZippyTray\Core\Time\Words\TimeWords;
use ZippyTray\Core\Time\Words\Token;
use ZippyTray\Core\Time\Words\TokenKind;
use ZippyTray\Core\Time\Words\Tokens;
use ZippyTray\Core\Time\Words\Vocabulary;

/**
 * Finds the days and times in what the sender wrote now, and tells deadlines, appointments and mere
 * mentions apart.
 */
final readonly class DateFinder
{
    /** A day without a year that was not longer ago than this is the past one rather than that of next year. */
    private const RECENT_DAYS = 60;

    /** The words that a day or a time can begin with; most words cannot, and are passed over quickly. */
    private const BEGINNINGS = 'today|today\'s|tonight|tonight\'s|tomorrow|tomorrow\'s|tmrw|yesterday|yesterday\'s|the|this|next|last|coming|early|later|in|within|day|end|close|beginning|start|starting|eow|eom|eod|cob|eob|a|an|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|twenty|half|quarter|first|second|third|fourth|fifth|noon|midday|midnight|lunchtime|lunch|morning|afternoon|evening|at|between|from|around|about|by|before|until|till|after|some|christmas|boxing|new|every|each';

    private TimeReader $times;

    /** @var array<string, true> */
    private array $beginnings;

    public function __construct()
    {
        $this->times = new TimeReader();
        $this->beginnings = array_fill_keys(explode('|', self::BEGINNINGS), true);
    }

    /**
     * @param list<Sentence> $sentences
     * @param list<Request>  $requests  those found in the same sentences
     * @param bool           $dayFirst  whether 4/12 is the fourth of December
     *
     * @return list<FoundDate> in order
     */
    public function of(array $sentences, array $requests, Moment $sentAt, bool $dayFirst): array
    {
        $found = [];
        $asked = [];
        foreach ($requests as $request) {
            $asked[$request->from] = $request;
        }
        $reader = new DayReader($dayFirst);
        foreach ($sentences as $sentence) {
            foreach ($this->in($sentence, $reader) as $spot) {
                $date = $this->dated($spot, $sentence, $asked[$sentence->from] ?? null, $sentAt);
                if (null !== $date) {
                    $found[] = $date;
                }
            }
        }

        return $found;
    }

    /** @return list<DateSpot> */
    private function in(Sentence $sentence, DayReader $reader): array
    {
        $tokens = Tokens::of($sentence->text);
        $spots = [];
        $index = 0;
        while (null !== $token = $tokens->at($index)) {
            $spot = !$this->canBegin($token) || $this->isExcluded($tokens, $index) ? null : $this->spot($tokens, $index, $reader);
            if (null === $spot) {
                ++$index;
                continue;
            }
            $spots[] = $spot;
            $index = $spot->next;
        }

        return $spots;
    }

    private function canBegin(Token $token): bool
    {
        return match ($token->kind) {
            TokenKind::Word => isset($this->beginnings[$token->lower]) || null !== Vocabulary::weekday($token) || null !== Vocabulary::month($token),
            TokenKind::Mark, TokenKind::Gap => false,
            default => true,
        };
    }

    /** "every Friday", "on Fridays", names and quantities that only look like days. */
    private function isExcluded(Tokens $tokens, int $index): bool
    {
        $before = $tokens->at($index - 1);
        if ($tokens->read($index, 'every|each') || true === $before?->is('every', 'each', 'black', 'good', 'ash', 'easter', 'bloody', 'alternate', 'most')) {
            return true;
        }
        $token = $tokens->at($index);

        return true === $token?->isCapital() && null !== Vocabulary::weekday($token) && $tokens->read($index + 1, "'s|times|post|market|club|telegraph|mail|league|school|roast|blues")
            || true === $token?->is('sun', 'mon', 'sat', 'wed') && !$token->isCapital();
    }

    private function spot(Tokens $tokens, int $index, DayReader $reader): ?DateSpot
    {
        $lead = $this->timeLead($tokens, $index);
        // Midnight at the end of a day is that day, whole.
        if ($tokens->read($lead, 'midnight')) {
            $behind = $lead + 1 + ($tokens->read($lead + 1, 'on|of') ? 1 : 0);
            $day = $this->day($tokens, $behind, $reader);

            return null === $day ? null : new DateSpot($tokens, $index, $day->next, $day->day, null, !$day->vague);
        }
        $time = $this->times->at($tokens, $lead, $lead > $index);
        if (null !== $time) {
            $behind = $time->next;
            while ($tokens->read($behind, 'on|,|of|(|sharp|–|-')) {
                ++$behind;
            }
            $day = $this->day($tokens, $behind, $reader);
            if (null !== $day && !$this->isMark($tokens, $index, $time) && (!$day->vague || $behind > $time->next)) {
                return new DateSpot($tokens, $index, $day->next, $day->day, $time->time, true);
            }
        }
        $day = $this->day($tokens, $index, $reader);
        if (null !== $day) {
            return $this->withTime($tokens, $index, $day, $reader);
        }
        // A time alone is of the message's own day.
        if (null !== $time && (!$time->bare || ($lead > $index && TokenKind::Pair === $tokens->at($lead)?->kind)) && !$tokens->read($index, 'tonight')) {
            return new DateSpot($tokens, $index, $time->next, new FromToday(0), $time->time, false);
        }

        return null;
    }

    /** "evening on Saturday" speaks of an evening, not of a time. */
    private function isMark(Tokens $tokens, int $index, TimeWords $time): bool
    {
        return $time->bare && $tokens->read($index, 'morning|afternoon|evening|lunch');
    }

    private function day(Tokens $tokens, int $index, DayReader $reader): ?DayWords
    {
        $day = $reader->at($tokens, $index);
        if (null === $day) {
            return null;
        }
        $token = $tokens->at($index);
        if (TokenKind::Pair === $token?->kind && $day->vague) {
            $before = $tokens->at($index - 1);
            $isDate = true === $before?->is('cob', 'eod', 'on', 'by', 'before', 'until', 'till', 'due', 'from', 'since', 'of', 'date', 'deadline', 'after', 'latest', 'the', ':', 'for', 'than', '(')
                || null !== Vocabulary::weekday($before) || null !== $this->times->at($tokens, $day->next + ($tokens->read($day->next, 'at|,') ? 1 : 0), $tokens->read($day->next, 'at'));
            if (!$isDate || (true === $before?->is('at', 'for', '(', 'of', 'the') && str_contains($token->text, '.'))) {
                return null;
            }

            return new DayWords($day->day, $day->next);
        }

        return $day;
    }

    private function withTime(Tokens $tokens, int $index, DayWords $day, DayReader $reader): DateSpot
    {
        $at = $day->next;
        while ($tokens->read($at, ',|(|–|-|:|@') && null !== $tokens->at($at + 1)) {
            ++$at;
        }
        // "Friday (27 November) at ten": the second is the same day, told more exactly.
        $again = $at <= $day->next + 1 ? $reader->at($tokens, $at) : null;
        if (null !== $again && !$again->vague && null !== Vocabulary::weekday($tokens->at($day->next - 1)) && $at > $day->next && null === Vocabulary::weekday($tokens->at($at))) {
            $day = $again;
            $at = $day->next;
            while ($tokens->read($at, ',|(|)|–|-')) {
                ++$at;
            }
        }
        if ($tokens->read($at, 'midnight')) {
            return new DateSpot($tokens, $index, $at + 1, $day->day, null, !$day->vague);
        }
        $lead = $this->timeLead($tokens, $at);
        $time = $this->times->at($tokens, $lead, $lead > $at);

        return null === $time || (1 === preg_match('/^\d+$/', $tokens->at($lead)->text ?? '') && $lead === $at)
            ? new DateSpot($tokens, $index, $day->next, $day->day, null, !$day->vague)
            : new DateSpot($tokens, $index, $time->next, $day->day, $time->time, true);
    }

    /** Past the words that announce a time. */
    private function timeLead(Tokens $tokens, int $index): int
    {
        $at = $index;
        if ($tokens->read($at, 'some', 'time')) {
            $at += 2;
        }
        $at += $tokens->read($at, 'starting|beginning') && $tokens->read($at + 1, 'at') ? 1 : 0;
        while ($tokens->read($at, 'at|between|from|around|about|by|before|until|till|after') && $at < $index + 2) {
            ++$at;
        }

        return $at;
    }

    private function dated(DateSpot $spot, Sentence $sentence, ?Request $request, Moment $sentAt): ?FoundDate
    {
        $reading = (new DateContext($spot, $sentence, $request))->reading();
        if (null === $reading->kind) {
            return null;
        }
        $today = $sentAt->date();
        $date = $reading->isPast && !$spot->day->isFixed() ? $spot->day->behind($today) ?? $spot->day->ahead($today) : $this->ahead($spot->day, $today);
        if (null === $date) {
            return null;
        }
        $isOver = $date->isBefore($today) || ($date->equals($today) && null !== $spot->time && self::isOver($spot->time, $sentAt));
        if ($isOver && !$spot->isDay) {
            // A time alone that is past today is that of tomorrow only when something is still to be done.
            $date = DateKind::Mention === $reading->kind ? $date : $date->plusDays(1);
            $isOver = DateKind::Mention === $reading->kind;
        }

        return new FoundDate(
            $isOver ? DateKind::Mention : $reading->kind,
            $date,
            $spot->time,
            trim(mb_substr($sentence->text, $reading->from, $reading->to - $reading->from)),
            $sentence->from + $reading->from,
            $sentence->from + $reading->to,
        );
    }

    private function ahead(Day $day, LocalDate $today): ?LocalDate
    {
        $ahead = $day->ahead($today);
        $behind = $day->isFixed() ? null : $day->behind($today);
        if (null === $ahead || null === $behind) {
            return $ahead;
        }

        return $behind->daysUntil($today) <= self::RECENT_DAYS && $today->daysUntil($ahead) > 365 - self::RECENT_DAYS - 6 ? $behind : $ahead;
    }

    private static function isOver(TimeOfDay $time, Moment $sentAt): bool
    {
        return (string) $time < (string) $sentAt->time();
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Prose;

use ZippyTray\Core\Time\Day\Day;
use ZippyTray\Core\Time\Day\FromToday;
use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\English\Holidays;
use ZippyTray\Core\Time\English\Lexicon;
use ZippyTray\Core\Time\English\Sense;
use ZippyTray\Core\Time\Grammar\ClockTime;
use ZippyTray\Core\Time\Grammar\DayRules;
use ZippyTray\Core\Time\Grammar\Lexeme;
use ZippyTray\Core\Time\Grammar\LexemeKind;
use ZippyTray\Core\Time\Grammar\Lexemes;
use ZippyTray\Core\Time\Grammar\Need;
use ZippyTray\Core\Time\Grammar\Parsed;
use ZippyTray\Core\Time\Grammar\TimeRules;
use ZippyTray\Core\Time\TimeSettings;

/**
 * Finds days and times in prose, where most words are about something else: at each place the longest reading of the same
 * rules that fields are read by, with guards against what only looks like one. One of it reads one letter.
 */
final class Spotter
{
    /** Words besides names and numbers that a day or a time can begin with; most words cannot, and are passed over quickly. */
    private const BEGINNINGS = 'this next last coming following in within inside day end close beginning start early late mid middle a an '
        .'couple half quarter first midnight month week year weekend between from after midweek';

    /** Senses of words that a day or a time can begin with. */
    private const SENSES = [
        Sense::Weekday, Sense::Month, Sense::Near, Sense::Number, Sense::Tens, Sense::Ordinal, Sense::Mark, Sense::Part, Sense::ShortEdge,
        Sense::Edge, Sense::Quarter,
    ];

    /** Words before a day that make something else of it. */
    private const NAMES = ['every', 'each', 'black', 'bloody', 'alternate', 'most', 'palm', 'shrove'];

    /** Words behind the name of a day that make it a name of something. */
    private const NAMED = ['times', 'post', 'market', 'club', 'telegraph', 'mail', 'league', 'school', 'roast', 'blues'];

    /** Words that a numeric date without a year stands behind; without them it may be a fraction, a size or a version. */
    private const LEADS = [
        'cob', 'eod', 'before', 'until', 'till', 'due', 'from', 'since', 'date', 'deadline', 'after', 'latest', ':', 'for', 'than',
        'dated', 'starting',
    ];

    /** Words before a number that count or name something by it: "page 4.5", "room 12.10". */
    private const COUNTING = [
        'page', 'pages', 'pp', 'chapter', 'section', 'version', 'figure', 'fig', 'room', 'item', 'part', 'article', 'paragraph', 'no',
        'number', 'volume', 'vol', 'table', 'point', 'step', 'line', 'release', 'clause', 'ratio', 'score', 'psalm', 'size', 'grade',
        'level', 'costs', 'cost', 'weighs', 'measures', 'average', 'temperature', 'seite', 'kapitel', 'abschnitt', 'artikel', 'raum',
        'chapitre', 'capítulo', 'página', 'capitolo', 'pagina', 'hoofdstuk',
    ];

    /** Words that can follow an hour or a day of the month; others are counted by it: "at 3 places", "the 2nd floor". */
    private const FOLLOWERS = 'on in at and or to for with if so but today tomorrow tonight this next as until till sharp please would is '
        .'will was when because instead by then from the works suits monday tuesday wednesday thursday friday saturday sunday latest we i '
        .'you it he she they rather where who which that before after not already once can could since onwards morning afternoon evening '
        .'noon only otherwise of work suit be do fit while whilst during there any good ok okay fine convenient possible better best';

    /** Words that can follow a holiday without being named after it. */
    private const BEHIND_HOLIDAY = 'and or at we i if because please is was but this so would will for to in with as then day eve you';

    /** Looks at words that are left for the texts to come: however much somebody writes, it is read in bounded time. */
    private int $left = Lexemes::LOOKS;

    /** @var array<string, true> */
    private readonly array $beginnings;

    /** @var array<string, true> */
    private readonly array $followers;

    /** @var array<string, true> */
    private readonly array $behindHoliday;

    /**
     * @param int                   $offset  of the one who writes, in minutes east of UTC: some names of zones mean several
     * @param array<string, string> $english of another language: its words of time, and what English says for them
     */
    public function __construct(
        private readonly TimeSettings $settings = new TimeSettings(),
        private readonly int $offset = 0,
        private readonly array $english = [],
    ) {
        $this->beginnings = array_fill_keys(explode(' ', self::BEGINNINGS), true);
        $this->followers = array_fill_keys(explode(' ', self::FOLLOWERS), true);
        $this->behindHoliday = array_fill_keys(explode(' ', self::BEHIND_HOLIDAY), true);
    }

    /** @return list<Spot> in order; none overlaps another */
    public function in(string $text): array
    {
        $words = Lexemes::ofProse($text, $this->left, $this->english);
        $days = new DayRules($words, $this->settings);
        $times = new TimeRules($words, $this->settings, $this->offset);
        $spots = [];
        for ($index = 0; $index < $words->count() && $words->looks() < $this->left; ++$index) {
            $found = $this->canBegin($words, $index) ? $this->longest($words, $days, $times, $index) : null;
            if (null !== $found) {
                [$day, $clock, $isDay] = $found->value;
                $spots[] = new Spot($words->peek($index)->from ?? 0, $words->peek($found->next - 1)->to ?? 0, $day, $clock, $isDay);
                $index = $found->next - 1;
            }
        }
        $this->left -= $words->looks();

        return $spots;
    }

    /** How much of what it may look at is spent. */
    public function looks(): int
    {
        return Lexemes::LOOKS - $this->left;
    }

    private function canBegin(Lexemes $words, int $index): bool
    {
        $lexeme = $words->peek($index);
        $before = $words->peek($index - 1);
        if (null === $lexeme || LexemeKind::Mark === $lexeme->kind || \in_array($before?->lower, self::NAMES, true)) {
            return false;
        }
        // "12 a month", "twice a week".
        if ('a' === $lexeme->lower
            && (LexemeKind::Number === $before?->kind
                || \in_array(
                    $before?->lower,
                    [
                        'once', 'twice', 'times', 'euros', 'euro', 'pounds', 'dollars', 'francs',
                        'days', 'hours', 'pence', 'cents', '€', '£', '$',
                    ],
                    true,
                ))) {
            return false;
        }
        // "v2.10", "#12", "joe.may@": a piece of something longer.
        if ($lexeme->glued
            && null !== $before
            && [] === $lexeme->fillers
            && (LexemeKind::Mark !== $before->kind || 1 === preg_match('/[\/.:\-_#$€£+~@&=]/u', $before->text))) {
            return false;
        }
        if (LexemeKind::Number === $lexeme->kind) {
            return true;
        }
        if (isset($this->beginnings[$lexeme->lower])) {
            return !\in_array($lexeme->lower, ['a', 'in'], true) || $this->isOfTime($words->peek($index + 1));
        }
        if (Lexicon::isAny($lexeme->lower, ...self::SENSES)) {
            return true;
        }

        return $lexeme->isCapital() && [] !== Holidays::beginningWith($lexeme->lower);
    }

    /** Behind "a" and "in", the most frequent of the beginnings: "a week", "in ten days", "in early May". */
    private function isOfTime(?Lexeme $next): bool
    {
        return null !== $next
            && (LexemeKind::Number === $next->kind
                || isset($this->beginnings[$next->lower])
                || \in_array($next->lower, ['an', 'few', 'good', 'full', 'another', 'the', 'about', 'less', 'under'], true)
                || Lexicon::isAny(
                    $next->lower,
                    ...Sense::cases(),
                ));
    }

    /** @return Parsed<array{Day, ClockTime|null, bool}>|null day, time, and whether a certain day is named */
    private function longest(Lexemes $words, DayRules $days, TimeRules $times, int $index): ?Parsed
    {
        $best = null;
        foreach ($this->readings($words, $days, $times, $index) as $reading) {
            if (!$reading->isSecond && $reading->next > ($best->next ?? $index) && $this->isWhole($words, $index, $reading->next)) {
                $best = $reading;
            }
        }

        return $best;
    }

    /** @return iterable<Parsed<array{Day, ClockTime|null, bool}>> */
    private function readings(Lexemes $words, DayRules $days, TimeRules $times, int $index): iterable
    {
        foreach ($this->days($words, $days, $times, $index) as $day) {
            $isDay = Need::Nothing === $day->need;
            yield $day->as([$day->value, null, $isDay], $day->next);
            $at = $day->next;
            while ($words->is($at, '–', '-', ':') && !$words->isGlued($at + 1, '-')) {
                ++$at;
            }
            if ($words->is($at, 'midnight')) {
                // Midnight at the end of a day is that day, whole.
                yield $day->as([$day->value, null, $isDay], $at + 1);
            }
            // "on Saturday from 3 pm" says when it begins.
            foreach ($words->is($at, 'from') ? $this->clocks($words, $times, $at + 1, $isDay) : [] as $clock) {
                yield $clock->as([$day->value, $clock->value, true], $clock->next)->second($day->isSecond);
            }
            foreach ($this->clocks($words, $times, $at, $isDay) as $clock) {
                yield $clock->as([$day->value, $clock->value, true], $clock->next)->second($day->isSecond);
            }
        }
        yield from $this->partOfToday($words, $times, $index);
        if ($words->is($index, 'midnight')) {
            foreach ($this->days($words, $days, $times, $index + 1) as $day) {
                yield $day->as([$day->value, null, Need::Nothing === $day->need], $day->next);
            }
        }
        foreach ($this->clocks($words, $times, $index, false) as $clock) {
            $at = $clock->next;
            while ($words->is($at, '–', '-', 'sharp')) {
                ++$at;
            }
            $at = null === $clock->value->zone ? $at : $this->behindParenthesis($words, $at);
            if (!$clock->value->isMark && $words->is($at, 'this') && $words->is($at + 1, 'morning', 'afternoon', 'evening')) {
                foreach ($times->part($at + 1) as $part) {
                    yield $part->as([FromToday::days(0), $times->within($clock->value, $part->value), true], $part->next);
                }
            }
            // "evening on Saturday" speaks of an evening, not of a time.
            $isPart = $clock->value->isMark && null !== Lexicon::meaning(Sense::Part, $words->peek($index)->lower ?? '');
            foreach ($isPart && !$words->isAfter($at, 'of') ? [] : $this->days($words, $days, $times, $at) as $day) {
                if (Need::Nothing === $day->need || $words->isAfter($at, 'on', 'of', ',', '(')) {
                    yield $day->as([$day->value, $clock->value, true], $day->next);
                }
            }
            // A time alone is of the message's own day.
            $isClear = $clock->value->isMark
                ? !$isPart && !$words->is($index, 'lunch', 'tonight', 'first', 'after')
                : !$clock->value->isBareHour
                || null !== $clock->value->until
                || Need::Nothing !== $this->spoken($words, $index);
            // "at six" is one of a day that is named elsewhere.
            $isLed = $clock->value->isBareHour
                && null === $clock->value->until
                && $words->isAfter($index, 'at')
                && (null !== $words->peek($index)?->number || null !== Lexicon::meaning(Sense::Number, $words->peek($index)->lower ?? ''));
            if (($isClear || $isLed) && Need::Nothing === $clock->need) {
                yield $clock->as([FromToday::days(0), $clock->value, false], $clock->next);
            }
        }
    }

    /** "9:30 EST (14:30 our time) on Friday": the same moment on another clock. */
    private function behindParenthesis(Lexemes $words, int $index): int
    {
        for ($at = $index + 1; $words->isAfter($index, '(') && $at < $index + 14; ++$at) {
            if ($words->isAfter($at, ')')) {
                return $at;
            }
        }

        return $index;
    }

    /** "half past two" is a time by itself, "two" is not. */
    private function spoken(Lexemes $words, int $index): Need
    {
        return $words->is($index + 1, 'past', 'to', "o'clock", 'oclock') || $words->is($index + 2, 'past', 'to')
            ? Need::Lead
            : Need::Nothing;
    }

    /** @return iterable<Parsed<Day>> those that are certain, or led up to */
    private function days(Lexemes $words, DayRules $days, TimeRules $times, int $index): iterable
    {
        foreach ($days->at($index) as $day) {
            if (Need::Field !== $day->need && $this->isDay($words, $index, $day->next)) {
                $isPair = $this->isPair($words, $index);
                if ($isPair && Need::Lead === $day->need && !$this->isLed($words, $times, $index, $day->next)) {
                    continue;
                }
                yield $isPair ? new Parsed($day->value, $day->next, $day->isSecond) : $day;
            }
        }
    }

    /** "27/11", "27.11": two numbers that need not be a day. */
    private function isPair(Lexemes $words, int $index): bool
    {
        return null !== $words->peek($index)?->number
            && $words->isGlued($index + 1, '.', '/')
            && null !== $words->peek($index + 2)?->number;
    }

    private function isLed(Lexemes $words, TimeRules $times, int $index, int $next): bool
    {
        $before = $words->peek($index - 1);
        $isDotted = $words->isGlued($index + 1, '.');
        if (\in_array($before?->lower, self::COUNTING, true)) {
            return false;
        }
        if ($isDotted && $words->isGlued($next - 1, '.')) {
            return true;
        }
        if ($words->isAfter($index, 'at')
            || ($isDotted
                && ($words->isAfter($index, '(', 'of', 'the') || 'for' === $before?->lower)
                && !$words->isAfter($index, 'on', 'by'))) {
            return false;
        }
        $isClock = false;
        foreach ($times->at($next) as $time) {
            $isClock = $isClock || Need::Nothing === $time->need;
        }

        return $isClock
            || $words->isAfter($index, 'on', 'by', 'of', 'the', '(')
            || \in_array($before?->lower, self::LEADS, true)
            || null !== Lexicon::meaning(Sense::Weekday, $before->lower ?? '');
    }

    /** @return iterable<Parsed<ClockTime>> */
    private function clocks(Lexemes $words, TimeRules $times, int $index, bool $isBeside): iterable
    {
        $isLed = $words->isAfter($index, 'at', 'by', 'about', 'around')
            || $words->is($index - 1, 'before', 'until', 'till', 'after')
            || $words->is($index, 'from', 'between')
            || ($isBeside && $words->is($index - 1, 'from'));
        $lead = $words->is($index, 'before', 'until', 'till', 'after') && $isBeside ? 1 : 0;
        foreach ($times->at($index + $lead, $isLed || $lead > 0 || $isBeside) as $clock) {
            $isHour = $clock->value->isBareHour && null === $clock->value->until && Need::Nothing === $this->spoken($words, $index + $lead);
            if (Need::Field === $clock->need && (!$isLed && 0 === $lead || !$isHour)) {
                continue;
            }
            if (Need::Lead === $clock->need && !$isLed && !$isBeside) {
                continue;
            }
            if (($isHour || true === $clock->value->until?->isBareHour) && $this->isCounted($words, $clock->next)) {
                continue;
            }
            yield $isHour || $isLed || $isBeside
                ? new Parsed($clock->value, $clock->next, $clock->isSecond && Need::Lead !== $clock->need)
                : $clock;
        }
    }

    /**
     * "this evening", "tonight", "tonight at eight".
     *
     * @return iterable<Parsed<array{Day, ClockTime|null, bool}>>
     */
    private function partOfToday(Lexemes $words, TimeRules $times, int $index): iterable
    {
        $offset = $words->is($index, 'this') ? 1 : 0;
        if (0 === $offset && !$words->is($index, 'tonight', 'late')) {
            return;
        }
        foreach ($times->part($index + $offset) as $part) {
            if (1 === $offset ? !$words->is($index + 1, 'morning', 'afternoon', 'evening') : DayMark::Tonight !== $part->value) {
                continue;
            }
            foreach ($this->clocks($words, $times, $part->next, false) as $clock) {
                if (!$clock->value->isMark) {
                    yield $clock->as([FromToday::days(0), $times->within($clock->value, $part->value), true], $clock->next);
                }
            }
            yield $part->as([FromToday::days(0), ClockTime::mark($this->settings->at($part->value)), true], $part->next);
        }
    }

    /** Whether the words before and behind leave it a day. */
    private function isDay(Lexemes $words, int $index, int $next): bool
    {
        $first = $words->peek($index);
        $last = $words->peek($next - 1);
        $behind = $words->peek($next);
        if (null === $first || null === $last) {
            return false;
        }
        if ($this->isCommaWithin($words, $index, $next)) {
            return false;
        }
        if (null !== Lexicon::meaning(Sense::Weekday, $last->lower)
            && $last->isCapital()
            && \in_array($behind?->lower, self::NAMED, true)) {
            return false;
        }
        $isOrdinal = \in_array($last->lower, ['st', 'nd', 'rd', 'th'], true) && $last->glued;
        if ($isOrdinal
            && null !== $behind
            && (($words->isAfter($next, 'of') && !$words->is($next, 'this', 'next', 'month'))
                || $words->isGlued($next, '-')
                || $this->isCounted($words, $next))) {
            return false;
        }
        $isHoliday = $first->isCapital() && [] !== Holidays::beginningWith($first->lower);

        return !$isHoliday
            || LexemeKind::Word !== $behind?->kind
            || [] !== $behind->fillers
            || isset($this->behindHoliday[$behind->lower])
            || null !== Lexicon::meaning(Sense::Weekday, $last->lower);
    }

    /** Only behind the day of the week and before the year a comma is part of a day. */
    private function isCommaWithin(Lexemes $words, int $index, int $next): bool
    {
        for ($at = $index + 1; $at < $next; ++$at) {
            if (!$words->isAfter($at, ',', '(', ')')) {
                continue;
            }
            $isYear = 4 === \strlen($words->peek($at)->text ?? '') && null !== $words->peek($at)?->number;
            if (!$isYear && null === Lexicon::meaning(Sense::Weekday, $words->peek($at - 1)->lower ?? '') && !$words->is($at, '-', '–')) {
                return true;
            }
        }

        return false;
    }

    /** "at 3 places", "the 2nd floor", "at 5 %". */
    private function isCounted(Lexemes $words, int $next): bool
    {
        $behind = $words->peek($next);
        if (null === $behind || [] !== $behind->fillers) {
            return false;
        }
        if ([] !== $this->english && LexemeKind::Word === $behind->kind) {
            return null !== Lexicon::meaning(Sense::Month, $behind->lower);
        }
        if (null !== Lexicon::meaning(Sense::Month, $behind->lower) && $behind->isCapital()) {
            return true;
        }

        return match ($behind->kind) {
            LexemeKind::Word => !isset($this->followers[$behind->lower])
                && null === Lexicon::meaning(Sense::Near, $behind->lower)
                && null === Lexicon::meaning(Sense::Weekday, $behind->lower)
                && !$behind->isCapital(),
            LexemeKind::Mark => 1 === preg_match('/^[%€$£]/u', $behind->text)
                || ($behind->glued && null !== $words->peek($next + 1)?->number && true === $words->peek($next + 1)->glued),
            LexemeKind::Number => false,
        };
    }

    /** What is glued to it behind belongs to something longer. */
    private function isWhole(Lexemes $words, int $index, int $next): bool
    {
        $behind = $words->peek($next);
        if (null === $behind || !$behind->glued || $words->isAfter($next, '(', ')')) {
            return true;
        }
        $after = $words->peek($next + 1);

        return match ($behind->kind) {
            LexemeKind::Mark => 1 !== preg_match('/^[\/:.,\-_%@]$/u', $behind->text)
                || null === $after
                || !$after->glued
                || (LexemeKind::Word === $after->kind
                    && '-' !== $behind->text
                    && '_' !== $behind->text
                    && '@' !== $behind->text
                    && '.' !== $behind->text),
            default => false,
        };
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\When;

use ZippyTray\Core\Time\Span;

/**
 * Lengths of time.
 *
 *     span  = term { ["and"] term }, each smaller than the one before
 *     term  = count unit | count unit "and a half" | count "and a half" unit
 *           | "half" ("a" | "an") ("hour" | "year") | [count] "quarter" ["s"] "an hour" | number "h" number
 *     count = number | "one" … "twelve" | "a" | "an" | ["a"] "couple"
 */
final readonly class SpanRules
{
    private const UNITS = [
        'year' => ['year', 'years', 'yr', 'yrs', 'y'],
        'quarter' => ['quarter', 'quarters'],
        'month' => ['month', 'months'],
        'fortnight' => ['fortnight', 'fortnights'],
        'week' => ['week', 'weeks', 'wk', 'wks', 'w'],
        'day' => ['day', 'days', 'd'],
        'hour' => ['hour', 'hours', 'hr', 'hrs', 'h'],
        'minute' => ['minute', 'minutes', 'min', 'mins'],
    ];

    public function __construct(private Lexemes $words)
    {
    }

    /** @return iterable<Parsed<Span>> the longest first */
    public function at(int $index): iterable
    {
        foreach ($this->terms($index, 0) as $parsed) {
            yield new Parsed($parsed->value->span, $parsed->next);
        }
    }

    /**
     * A number or the word for it.
     *
     * @return iterable<Parsed<int>>
     */
    public function count(int $index): iterable
    {
        $number = $this->words->count($index);
        if (null !== $number) {
            yield new Parsed($number, $index + 1);
        }
        $a = $this->words->is($index, 'a', 'an') ? 1 : 0;
        if ($this->words->is($index + $a, 'couple')) {
            yield new Parsed(2, $index + $a + 1);
        }
        if ($a > 0) {
            yield new Parsed(1, $index + 1);
        }
    }

    /** @return iterable<Parsed<string>> one of the keys of UNITS, or "working day" */
    public function unit(int $index): iterable
    {
        foreach (self::UNITS as $unit => $names) {
            if ($this->words->is($index, ...$names)) {
                yield new Parsed($unit, $index + 1);
            }
        }
        if ($this->words->is($index, 'working', 'business', 'work') && $this->words->is($index + 1, 'day', 'days')) {
            yield new Parsed('working day', $index + 2);
        }
        if ($this->words->is($index, 'workday', 'workdays')) {
            yield new Parsed('working day', $index + 1);
        }
    }

    /** @return iterable<Parsed<Term>> */
    private function terms(int $index, int $above): iterable
    {
        foreach ($this->term($index) as $first) {
            if (0 !== $above && $first->value->rank >= $above) {
                continue;
            }
            $and = $this->words->is($first->next, 'and', '&') ? 1 : 0;
            foreach ($this->terms($first->next + $and, $first->value->rank) as $rest) {
                yield new Parsed(new Term($first->value->span->and($rest->value->span), $rest->value->rank), $rest->next);
            }
            yield $first;
        }
    }

    /** @return iterable<Parsed<Term>> */
    private function term(int $index): iterable
    {
        yield from $this->parts($index);
        foreach ($this->count($index) as $count) {
            if (0 === $count->value) {
                foreach ($this->unit($count->next) as $unit) {
                    $this->words->impossible($index, $unit->next, '%s is no length of time.');
                }
                continue;
            }
            $half = $this->words->is($count->next, 'and') && $this->words->is($count->next + 1, 'a') && $this->words->is($count->next + 2, 'half') ? 3 : 0;
            foreach ($this->unit($count->next + $half) as $unit) {
                $behind = $unit->next;
                if (0 === $half && $this->words->is($behind, 'and') && $this->words->is($behind + 1, 'a') && $this->words->is($behind + 2, 'half')) {
                    $term = $this->withHalf($count->value, $unit->value);
                    if (null !== $term) {
                        yield new Parsed($term, $behind + 3);
                    }
                }
                $term = $half > 0 ? $this->withHalf($count->value, $unit->value) : Term::of($count->value, $unit->value);
                if (null === $term) {
                    continue;
                }
                // "2h30", "1h 30", and "1h 30m", where the letter can only mean minutes.
                $minutes = 'hour' === $unit->value ? $this->words->number($behind) : null;
                if (null !== $minutes && $minutes < 60) {
                    yield new Parsed(new Term($term->span->and(new Span(minutes: $minutes)), Term::MINUTES), $behind + 1);
                }
                if (null !== $minutes && $this->words->isGlued($behind + 1, 'm')) {
                    yield new Parsed(new Term($term->span->and(new Span(minutes: $minutes)), Term::MINUTES), $behind + 2);
                }
                yield new Parsed($term, $behind);
            }
        }
    }

    /**
     * Halves and quarters.
     *
     * @return iterable<Parsed<Term>>
     */
    private function parts(int $index): iterable
    {
        if ($this->words->is($index, 'half') && $this->words->is($index + 1, 'a', 'an')) {
            if ($this->words->is($index + 2, 'hour')) {
                yield new Parsed(new Term(new Span(minutes: 30), Term::MINUTES), $index + 3);
            } elseif ($this->words->is($index + 2, 'year')) {
                yield new Parsed(new Term(new Span(months: 6), Term::MONTHS), $index + 3);
            }
        }
        foreach ($this->count($index) as $count) {
            if ($this->words->is($count->next, 'quarter', 'quarters') && $this->words->is($count->next + 1, 'a', 'an') && $this->words->is($count->next + 2, 'hour')) {
                yield new Parsed(new Term(new Span(minutes: 15 * $count->value), Term::MINUTES), $count->next + 3);
            }
        }
    }

    private function withHalf(int $count, string $unit): ?Term
    {
        return match ($unit) {
            'hour' => new Term(new Span(minutes: 60 * $count + 30), Term::MINUTES),
            'year' => new Term(new Span(months: 12 * $count + 6), Term::MONTHS),
            default => null,
        };
    }
}

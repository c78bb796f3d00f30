<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Grammar;

use ZippyTray\Core\Time\English\Sense;
use ZippyTray\Core\Time\Span;

/**
 * Lengths of time.
 *
 *     span  = term { ["and"] term }, each smaller than the one before
 *     term  = count unit | count unit "and a half" | count "and a half" unit
 *           | "half" ("a" | "an") unit | [count] "quarter" ["s"] "an hour" | number "h" number
 *     count = number ["." number] | "one" … "ninety-nine" | "a" | "an" | ["a"] ("couple" | "few")
 */
final readonly class SpanRules
{
    public function __construct(private Lexemes $words)
    {
    }

    /** @return iterable<Parsed<Span>> the longest first */
    public function at(int $index): iterable
    {
        foreach ($this->terms($index, 0) as $parsed) {
            yield $parsed->as($parsed->value->span, $parsed->next);
        }
    }

    /**
     * A whole number or the word for it.
     *
     * @return iterable<Parsed<int>> the longest first
     */
    public function count(int $index): iterable
    {
        $tens = $this->words->int($index, Sense::Tens);
        if (null !== $tens) {
            $hyphen = $this->words->isGlued($index + 1, '-') ? 1 : 0;
            $one = $this->words->int($index + 1 + $hyphen, Sense::Number);
            if (null !== $one && $one < 10) {
                yield new Parsed($tens + $one, $index + 2 + $hyphen);
            }
            yield new Parsed($tens, $index + 1);
        }
        $number = $this->words->number($index) ?? $this->words->int($index, Sense::Number);
        if (null !== $number) {
            yield new Parsed($number, $index + 1);
        }
        $a = $this->words->is($index, 'a', 'an') ? 1 : 0;
        if ($this->words->is($index + $a, 'couple')) {
            yield new Parsed(2, $index + $a + 1);
        }
        if ($this->words->is($index + $a, 'few')) {
            yield new Parsed(3, $index + $a + 1, need: Need::Field);
        }
        if ($a > 0) {
            yield new Parsed(1, $index + 1);
        }
    }

    /** @return iterable<Parsed<string>> a name of Lexicon, Sense::Unit */
    public function unit(int $index): iterable
    {
        $unit = $this->words->name($index, Sense::Unit);
        if (null !== $unit) {
            yield new Parsed($unit, $index + 1);
        }
        if ($this->words->is($index, 'working', 'business', 'work') && $this->words->is($index + 1, 'day', 'days')) {
            yield new Parsed('working day', $index + 2);
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
                yield new Parsed(
                    $first->value->with($rest->value->span, $rest->value->rank),
                    $rest->next,
                    need: $first->need->and($rest->need),
                );
            }
            yield $first;
        }
    }

    /** @return iterable<Parsed<Term>> */
    private function term(int $index): iterable
    {
        yield from $this->parts($index);
        foreach ([...$this->fraction($index), ...$this->count($index)] as $count) {
            if (0 === $count->value || 0.0 === $count->value) {
                foreach ($this->unit($count->next) as $unit) {
                    $this->words->impossible($index, $unit->next, '%s is no length of time.');
                }
                continue;
            }
            $half = $this->isAndAHalf($count->next) ? 3 : 0;
            foreach ($this->unit($count->next + $half) as $unit) {
                $behind = $unit->next;
                $more = 0 === $half && $this->isAndAHalf($behind) ? Term::of($count->value + 0.5, $unit->value) : null;
                if (null !== $more) {
                    yield $count->as($more, $behind + 3);
                }
                $term = Term::of($half > 0 ? $count->value + 0.5 : $count->value, $unit->value);
                if (null === $term) {
                    continue;
                }
                // "2h30", "1h 30", and "1h 30m", where the letter can only mean minutes.
                $minutes = 'hour' === $unit->value ? $this->words->number($behind) : null;
                if (null !== $minutes && $minutes < 60) {
                    yield $count->as($term->with(new Span(minutes: $minutes), 1), $behind + 1);
                }
                yield $count->as($term, $behind);
            }
        }
    }

    /**
     * "1.5".
     *
     * @return iterable<Parsed<float>>
     */
    private function fraction(int $index): iterable
    {
        $whole = $this->words->number($index);
        if (null === $whole || !$this->words->isGlued($index + 1, '.', ',') || true !== $this->words->at($index + 2)?->glued) {
            return;
        }
        $part = $this->words->number($index + 2);
        $digits = $this->words->at($index + 2)->text;
        if (null !== $part && \strlen($digits) < 3) {
            yield new Parsed((float) "{$whole}.{$digits}", $index + 3);
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
            foreach ($this->unit($index + 2) as $unit) {
                $term = Term::of(0.5, $unit->value);
                if (null !== $term) {
                    yield new Parsed($term, $unit->next);
                }
            }
        }
        foreach ($this->count($index) as $count) {
            if ($this->words->is($count->next, 'quarter', 'quarters')
                && $this->words->is($count->next + 1, 'a', 'an')
                && $this->words->is($count->next + 2, 'hour')) {
                yield $count->as(new Term(new Span(minutes: 15 * $count->value), 1), $count->next + 3);
            }
        }
    }

    private function isAndAHalf(int $index): bool
    {
        return $this->words->is($index, 'and') && $this->words->is($index + 1, 'a') && $this->words->is($index + 2, 'half');
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Field;

use ZippyTray\Core\Time\Anchor;
use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\Grammar\ClockTime;
use ZippyTray\Core\Time\Grammar\Lexemes;
use ZippyTray\Core\Time\Grammar\Parsed;
use ZippyTray\Core\Time\Grammar\SpanRules;
use ZippyTray\Core\Time\Grammar\TimeRules;
use ZippyTray\Core\Time\Lead;
use ZippyTray\Core\Time\Span;
use ZippyTray\Core\Time\TimeSettings;
use ZippyTray\Core\Time\Unreadable;

/**
 * Reads leads: reminders as seen from a due or a start.
 *
 *     lead   = span side [time] | time span side | part side | "day" side [time] | "time" [anchor]
 *            | "day" [anchor] time | ["same" | "that"] "day" [time]
 *     side   = ("before" | "after" | "ahead" | "earlier" | "later") [anchor]
 *     anchor = "due" ["date"] | "start" ["date"]
 */
final readonly class LeadReader
{
    public function __construct(private TimeSettings $settings = new TimeSettings())
    {
    }

    /** @throws Unreadable when a word cannot be read */
    public function read(string $phrase): Lead
    {
        if (mb_strlen($phrase) > WhenReader::LENGTH) {
            throw new Unreadable(\sprintf('That is too long to be a lead: %d characters at most.', WhenReader::LENGTH), WhenReader::LENGTH);
        }
        $words = Lexemes::of($phrase);
        foreach ($this->lead($words) as $parsed) {
            if ($words->isEnd($parsed->next)) {
                return $parsed->value;
            }
        }

        throw $words->complaint('Write how long before: "2 days before", "the morning before", "at the time".');
    }

    /** @return iterable<Parsed<Lead>> */
    private function lead(Lexemes $words): iterable
    {
        $times = new TimeRules($words, $this->settings);
        yield from $this->counted($words, $times, 0, null);
        foreach ($times->at(0) as $time) {
            yield from $this->counted($words, $times, $time->next, $time->value);
        }
        foreach ($times->part(0) as $part) {
            foreach ($this->side($words, $part->next) as $side) {
                yield new Parsed(new Lead(new Span(days: 1), $side->value[0], $part->value, of: $side->value[1]), $side->next);
            }
        }
        if ($words->is(0, 'time')) {
            foreach ($this->anchor($words, 1) as $anchor) {
                yield new Parsed(new Lead(new Span(), of: $anchor->value), $anchor->next);
            }
        }
        $same = $words->is(0, 'same', 'that') ? 1 : 0;
        if ($words->is($same, 'day')) {
            foreach ($this->anchor($words, $same + 1) as $anchor) {
                foreach ($this->said($words, $times, $anchor->next) as $said) {
                    yield new Parsed($this->made(new Span(), false, $said->value, $anchor->value), $said->next);
                }
                yield new Parsed(new Lead(new Span(), mark: DayMark::Morning, of: $anchor->value), $anchor->next);
            }
        }
    }

    /** @return iterable<Parsed<Lead>> */
    private function counted(Lexemes $words, TimeRules $times, int $index, ?ClockTime $clock): iterable
    {
        $spans = (new SpanRules($words))->at($index);
        $day = $words->is($index, 'day') ? [new Parsed(new Span(days: 1), $index + 1)] : [];
        foreach ([...$spans, ...$day] as $span) {
            foreach ($this->side($words, $span->next) as $side) {
                [$isAfter, $of] = $side->value;
                foreach (null === $clock ? $this->said($words, $times, $side->next) : [] as $said) {
                    yield new Parsed($this->made($span->value, $isAfter, $said->value, $of), $said->next);
                }
                yield new Parsed($this->made($span->value, $isAfter, $clock, $of), $side->next);
            }
        }
    }

    /** @return iterable<Parsed<ClockTime|DayMark>> */
    private function said(Lexemes $words, TimeRules $times, int $index): iterable
    {
        yield from $times->part($index);
        if ($words->is($index, 'noon', 'midday')) {
            yield new Parsed(DayMark::Noon, $index + 1);
        }
        foreach ($times->at($index) as $clock) {
            // Midnight is the end of the day that it is said of; a lead would have to name the next one.
            if (!$clock->value->isMidnight) {
                yield $clock;
            }
        }
    }

    private function made(Span $span, bool $isAfter, ClockTime|DayMark|null $said, ?Anchor $of): Lead
    {
        return new Lead($span, $isAfter, $said instanceof DayMark ? $said : null, $said instanceof ClockTime ? $said->time : null, $of);
    }

    /** @return iterable<Parsed<array{bool, Anchor|null}>> whether it is after, and what */
    private function side(Lexemes $words, int $index): iterable
    {
        $isAfter = $words->pick($index, ['before' => false, 'ahead' => false, 'earlier' => false, 'after' => true, 'later' => true]);
        if (null !== $isAfter) {
            foreach ($this->anchor($words, $index + 1) as $anchor) {
                yield new Parsed([$isAfter, $anchor->value], $anchor->next);
            }
        }
    }

    /** @return iterable<Parsed<Anchor|null>> */
    private function anchor(Lexemes $words, int $index): iterable
    {
        $anchor = $words->pick($index, ['due' => Anchor::Due, 'start' => Anchor::Start]);
        if (null !== $anchor) {
            yield new Parsed($anchor, $index + ($words->is($index + 1, 'date') ? 2 : 1));
        }
        yield new Parsed(null, $index);
    }
}

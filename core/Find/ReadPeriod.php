<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find;

use ZippyTray\Core\Time\Field\ReadingKind;
use ZippyTray\Core\Time\Field\Speaker;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Time\Unreadable;

/**
 * Reads which days are meant where something is looked for: what has been lies behind, what is due ahead. The words are those of when
 * phrases; where they leave open which one is meant, it is the last one that has come, or the coming one.
 */
final readonly class ReadPeriod
{
    /** Days by which is looked back for the last one that a phrase means. */
    private const BACK = [7, 31, 92, 366];

    /** @param bool $ahead whether it lies ahead */
    public function __construct(private Speaker $speaker, private bool $ahead = false)
    {
    }

    /** @return Period|null null: it says no days */
    public function read(string $phrase): ?Period
    {
        $phrase = trim((string) preg_replace('/\s+/u', ' ', mb_strtolower($phrase)));
        $phrase = (string) preg_replace('/^(?:in|on|at|during|within|the) +/u', '', $phrase);
        $phrase = (string) preg_replace('/^the +/u', '', $phrase);
        if ('' === $phrase || mb_strlen($phrase) > 60) {
            return null;
        }

        return $this->named($phrase) ?? $this->ago($phrase) ?? $this->month($phrase) ?? $this->last($phrase) ?? $this->single($phrase);
    }

    private function today(): LocalDate
    {
        return $this->speaker->now->date();
    }

    /** Today and yesterday, this week and the last one, years. */
    private function named(string $phrase): ?Period
    {
        if (1 === preg_match('/^(?:19|20)\d\d$/', $phrase)) {
            return Period::year((int) $phrase);
        }
        $days = ['today' => 0, 'yesterday' => -1, 'day before yesterday' => -2, 'tomorrow' => 1][$phrase] ?? null;
        if (null !== $days) {
            return Period::day($this->today()->plusDays($days));
        }
        if (1 !== preg_match('/^(this|last|past|previous|next)? ?(week|weekend|month|quarter|year)$/', $phrase, $m)) {
            return null;
        }
        $by = match ($m[1]) {
            'last', 'past', 'previous' => -1,
            'next' => 1,
            default => 0,
        };

        return $this->unit($m[2], $by);
    }

    /** @param int $by so many of them onwards from the one that today is in */
    private function unit(string $unit, int $by): ?Period
    {
        $today = $this->today();
        $week = $this->speaker->settings->week->startOf($today)->plusDays(7 * $by);
        $month = Period::month($today)->from->plusMonths('quarter' === $unit ? 3 * $by - ($today->month() - 1) % 3 : $by);

        return match ($unit) {
            'week' => new Period($week, $week->plusDays(6)),
            'weekend' => new Period($saturday = $this->speaker->settings->week->dayIn($week, 6), $saturday->plusDays(1)),
            'month' => Period::month($month),
            'quarter' => new Period($month, $month->plusMonths(2)->endOfMonth()),
            default => Period::year($today->year() + $by),
        };
    }

    /** "last 3 days", "3 weeks ago", "next two months". */
    private function ago(string $phrase): ?Period
    {
        if (1 === preg_match('/^(last|past|next) (\S+(?: \S+)?) (day|week|month|year)s$/u', $phrase, $m)) {
            $count = $this->count($m[2]);
            $away = null === $count ? null : $this->away($m[3], 'next' === $m[1] ? $count : -$count);

            return match (true) {
                null === $away => null,
                $away->isBefore($this->today()) => new Period($away, $this->today()),
                default => new Period($this->today(), $away),
            };
        }
        if (1 === preg_match('/^(\S+(?: \S+)?) (day|week|month|year)s? ago$/u', $phrase, $m)) {
            $count = $this->count($m[1]);
            if (null === $count) {
                return null;
            }

            return 'day' === $m[2] ? Period::day($this->today()->plusDays(-$count)) : $this->unit($m[2], -$count);
        }

        return null;
    }

    private function away(string $unit, int $count): LocalDate
    {
        return match ($unit) {
            'day' => $this->today()->plusDays($count),
            'week' => $this->today()->plusDays(7 * $count),
            'month' => $this->today()->plusMonths($count),
            default => $this->today()->plusMonths(12 * $count),
        };
    }

    /** A number in digits or in words. */
    private function count(string $words): ?int
    {
        $date = $this->date('in '.$words.' days', $this->speaker);
        $count = null === $date ? 0 : $this->today()->daysUntil($date);

        return $count > 0 && $count <= 1000 ? $count : null;
    }

    /** "march", "march 2025". */
    private function month(string $phrase): ?Period
    {
        if (1 !== preg_match('/^\p{L}+(?: (?:of )?\d{4})?$/u', $phrase)) {
            return null;
        }
        $date = $this->date('1 '.str_replace(' of ', ' ', $phrase), $this->ahead ? $this->fromThisMonth() : $this->speaker);
        if (null === $date || 1 !== $date->day()) {
            return null;
        }
        if (!$this->ahead && 1 !== preg_match('/\d/', $phrase) && $this->today()->isBefore($date)) {
            $date = $date->plusMonths(-12);
        }

        return Period::month($date);
    }

    /** What is due in the month that it is means this one. */
    private function fromThisMonth(): Speaker
    {
        $first = Period::month($this->today())->from;

        return new Speaker(
            new Moment($first->at($this->speaker->now->time(), $this->speaker->now->zone), $this->speaker->now->zone),
            $this->speaker->settings,
        );
    }

    /** "last friday", "last 3 may": the last one before today. */
    private function last(string $phrase): ?Period
    {
        if (1 !== preg_match('/^(?:last|past|previous) (?<what>.+)$/u', $phrase, $m)) {
            return null;
        }
        $month = (new self($this->speaker))->month($m['what']);
        if (null !== $month) {
            return $month->to->isBefore($this->today()) ? $month : Period::month($month->from->plusMonths(-12));
        }

        return $this->behind($m['what'], $this->today()->plusDays(-1));
    }

    private function single(string $phrase): ?Period
    {
        $date = $this->ahead ? $this->date($phrase, $this->speaker) : $this->behind($phrase, $this->today())?->from;

        return match (true) {
            null === $date => null,
            1 === preg_match('/^week \d/', $phrase) => new Period($date, $date->plusDays(6)),
            1 === preg_match('/^q[1-4]\b/', $phrase) => new Period($date, $date->plusMonths(2)->endOfMonth()),
            default => Period::day($date),
        };
    }

    /** The last day that a phrase means, up to one. */
    private function behind(string $phrase, LocalDate $upTo): ?Period
    {
        $asIs = $this->date($phrase, $this->speaker);
        if (null === $asIs) {
            return null;
        }
        if (!$upTo->isBefore($asIs)) {
            return Period::day($asIs);
        }
        foreach (self::BACK as $days) {
            $then = $this->today()->plusDays(-$days - $upTo->daysUntil($this->today()));
            $at = new Moment($then->at($this->speaker->now->time(), $this->speaker->now->zone), $this->speaker->now->zone);
            $date = $this->date($phrase, new Speaker($at, $this->speaker->settings));
            if (null !== $date && !$upTo->isBefore($date)) {
                return Period::day($date);
            }
        }

        // It names its year, and lies ahead.
        return Period::day($asIs);
    }

    private function date(string $phrase, Speaker $speaker): ?LocalDate
    {
        try {
            $reading = $speaker->read($phrase);
        } catch (Unreadable) {
            return null;
        }

        return ReadingKind::Date === $reading->kind ? $reading->date : null;
    }
}

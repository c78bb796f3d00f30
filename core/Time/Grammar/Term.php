<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Grammar;

use ZippyTray\Core\Time\Span;

/**
 * One count of one unit, within a span of several.
 */
final readonly class Term
{
    /** How big the unit is; within a span every term is smaller than the one before. */
    private const RANKS = [
        'year' => 6, 'quarter' => 5, 'month' => 5, 'fortnight' => 4, 'week' => 4, 'day' => 3, 'working day' => 3, 'hour' => 2,
        'minute' => 1,
    ];

    private const MONTHS = ['year' => 12, 'quarter' => 3, 'month' => 1];

    private const DAYS = ['fortnight' => 14, 'week' => 7, 'day' => 1];

    private const MINUTES = ['hour' => 60, 'minute' => 1];

    public function __construct(public Span $span, public int $rank)
    {
    }

    /**
     * @param float  $count of hours, of years and of what has halves also a fraction
     * @param string $unit  a name of Lexicon, Sense::Unit
     *
     * @return self|null null when there is no such fraction: half a month has no certain number of days
     */
    public static function of(float $count, string $unit): ?self
    {
        $size = self::MONTHS[$unit] ?? self::DAYS[$unit] ?? self::MINUTES[$unit] ?? 1;
        $amount = (int) round($count * $size);
        if (abs($amount - $count * $size) > 0.001) {
            return null;
        }
        $isWhole = $count === floor($count);

        return new self(match (true) {
            isset(self::MONTHS[$unit]) => new Span(months: $amount),
            isset(self::DAYS[$unit]) => new Span(days: $amount),
            isset(self::MINUTES[$unit]) => new Span(minutes: $amount),
            default => new Span(workingDays: $amount),
        }, $isWhole ? self::RANKS[$unit] : min(self::RANKS[$unit], 'hour' === $unit ? 1 : 5));
    }

    public function with(Span $more, int $rank): self
    {
        return new self($this->span->and($more), $rank);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\When;

use ZippyTray\Core\Time\Span;

/**
 * One count of one unit, within a span of several.
 */
final readonly class Term
{
    public const MONTHS = 5;

    public const MINUTES = 1;

    /** @param int $rank how big the unit is; within a span every term is smaller than the one before */
    public function __construct(public Span $span, public int $rank)
    {
    }

    public static function of(int $count, string $unit): self
    {
        return match ($unit) {
            'year' => new self(new Span(months: 12 * $count), 6),
            'quarter' => new self(new Span(months: 3 * $count), self::MONTHS),
            'month' => new self(new Span(months: $count), self::MONTHS),
            'fortnight' => new self(new Span(days: 14 * $count), 4),
            'week' => new self(new Span(days: 7 * $count), 4),
            'working day' => new self(new Span(workingDays: $count), 3),
            'hour' => new self(new Span(minutes: 60 * $count), 2),
            'minute' => new self(new Span(minutes: $count), self::MINUTES),
            default => new self(new Span(days: $count), 3),
        };
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Find;

use ZippyTray\Core\Time\LocalDate;

/**
 * Days that follow each other, in the person's zone.
 */
final readonly class Period
{
    public function __construct(public LocalDate $from, public LocalDate $to)
    {
    }

    public static function day(LocalDate $day): self
    {
        return new self($day, $day);
    }

    public static function month(LocalDate $in): self
    {
        $first = LocalDate::on($in->year(), $in->month(), 1) ?? $in;

        return new self($first, $in->endOfMonth());
    }

    public static function year(int $year): ?self
    {
        [$first, $last] = [LocalDate::on($year, 1, 1), LocalDate::on($year, 12, 31)];

        return null === $first || null === $last ? null : new self($first, $last);
    }

    /** "Fri 27 Nov 2026" or "Mon 23 Nov 2026 to Sun 29 Nov 2026". */
    public function text(): string
    {
        return $this->from->equals($this->to) ? $this->from->text() : $this->from->text().' to '.$this->to->text();
    }
}

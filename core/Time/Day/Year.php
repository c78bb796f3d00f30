<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

use ZippyTray\Core\Time\LocalDate;

/**
 * A year as it is said: "2027", "next year".
 */
final readonly class Year
{
    private function __construct(private ?int $named, private int $ahead)
    {
    }

    public static function named(int $year): self
    {
        return new self($year, 0);
    }

    /** @param int $years 0: this one, 1: the next one, -1: the last one */
    public static function ahead(int $years): self
    {
        return new self(null, $years);
    }

    public function of(LocalDate $today): int
    {
        return $this->named ?? $today->year() + $this->ahead;
    }
}

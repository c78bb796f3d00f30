<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Passing;

use ZippyTray\Core\Time\LocalDate;

/**
 * A part of the time line. Two of the same part are equal by their key.
 */
final readonly class Stretch
{
    /**
     * @param LocalDate $to   the last day
     * @param int|null  $hour of an hour of today, 0 to 23; null: of today, at no time in particular
     */
    public function __construct(public StretchKind $kind, public LocalDate $from, public LocalDate $to, public ?int $hour = null)
    {
    }

    public function key(): string
    {
        return \sprintf('%s %02d', $this->from, $this->hour ?? -1);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Time\TimeOfDay;
use ZippyTray\Core\Tray\Advice\DateKind;
use ZippyTray\Core\Tray\Advice\FoundDate;

/**
 * A date that was found in a message; from and to are characters of its text, counted from 0.
 */
final readonly class DateView
{
    private function __construct(
        public DateKind $kind,
        public LocalDate $date,
        public ?TimeOfDay $time,
        public string $text,
        public int $from,
        public int $to,
    ) {
    }

    /** @return ($date is null ? null : self) */
    public static function of(?FoundDate $date): ?self
    {
        return null === $date ? null : new self($date->kind, $date->date, $date->time, $date->text, $date->from, $date->to);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Read\Tray;

use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Tray\Back;
use ZippyTray\Core\Tray\BackBecause;

/**
 * Why a conversation is back, and what had been decided before.
 */
final readonly class BackView
{
    private function __construct(public BackBecause $because, public string $why, public string $before)
    {
    }

    public static function of(Back $back, LocalDate $today): self
    {
        return new self($back->because, $back->why($today), $back->before($today));
    }
}

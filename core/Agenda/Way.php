<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\Time\LocalDate;

/**
 * A way out, and how the days are then.
 */
final readonly class Way
{
    /**
     * @param LocalDate|null $day     on which it is due then, or for which it is meant
     * @param int|null       $minutes that it takes then
     */
    public function __construct(public WayKind $kind, public Fit $fit, public ?LocalDate $day = null, public ?int $minutes = null)
    {
    }
}

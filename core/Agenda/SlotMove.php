<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

use ZippyTray\Core\Time\Due;

/**
 * Where a slot is to lie from now on.
 */
final readonly class SlotMove
{
    /** @param int|null $minutes null: as long as it was */
    public function __construct(public SlotId $id, public Due $when, public ?int $minutes = null)
    {
    }
}

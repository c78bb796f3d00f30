<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

/**
 * In which order conversations are gone through.
 */
enum ClearingOrder: string
{
    /** As the tray is grouped by advice, so that like follows like. */
    case Grouped = 'grouped';
    case OldestFirst = 'oldest';
    case NewestFirst = 'newest';
}

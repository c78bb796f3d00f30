<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

use ZippyTray\Core\Tray\Advice\AdviceGroup;

/**
 * In which order conversations are gone through.
 */
enum ClearingOrder: string
{
    /** As the tray is grouped by advice, so that like follows like. */
    case Grouped = 'grouped';

    /** What matters most first (Importance). */
    case MostImportant = 'important';
    case OldestFirst = 'oldest';
    case NewestFirst = 'newest';

    /**
     * Where a conversation stands in the tray as it is grouped, smaller numbers first: what came back, then by advice,
     * then what has none.
     */
    public static function rank(bool $returned, ?AdviceGroup $group): int
    {
        return $returned
            ? 0
            : 1 + (null === $group ? \count(AdviceGroup::cases()) : (int) array_search($group, AdviceGroup::cases(), true));
    }
}

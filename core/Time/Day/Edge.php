<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Day;

/**
 * Where within a stretch of time.
 */
enum Edge: string
{
    case Begin = 'begin';
    case Middle = 'middle';
    case Late = 'late';
    case End = 'end';
}

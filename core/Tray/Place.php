<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

/**
 * Where a conversation is. It is in exactly one place.
 */
enum Place: string
{
    case Tray = 'tray';
    case Away = 'away';
    case Archive = 'archive';
    case Bin = 'bin';
    case Blocked = 'blocked';
}

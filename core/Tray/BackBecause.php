<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

/**
 * What has brought a conversation back.
 */
enum BackBecause: string
{
    case Time = 'time';
    case Message = 'message';
    case Clearing = 'clearing';
}

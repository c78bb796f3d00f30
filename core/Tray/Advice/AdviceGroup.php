<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray\Advice;

/**
 * What conversations that are decided alike have in common; in the order in which they are gone through.
 */
enum AdviceGroup: string
{
    case Asks = 'asks';
    case Dated = 'dated';
    case Information = 'information';
    case Automatic = 'automatic';
    case Bulk = 'bulk';
    case Suspicious = 'suspicious';
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time;

/**
 * What a lead counts from.
 */
enum Anchor: string
{
    case Due = 'due';
    case Start = 'start';
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Passing;

enum StretchKind: string
{
    /** An hour of today. */
    case Hour = 'hour';
    case Day = 'day';
    case Week = 'week';
    case Month = 'month';

    /** Days on which nothing comes. */
    case Gap = 'gap';
}

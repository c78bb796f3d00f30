<?php

declare(strict_types=1);

namespace ZippyTray\Core\Time\Field;

enum ReadingKind: string
{
    /** A day without a time. */
    case Date = 'date';

    /** A day with a time. */
    case Moment = 'moment';

    /** A rule, with its first occurrence. */
    case Repeat = 'repeat';
}

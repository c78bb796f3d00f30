<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda;

/**
 * What can be done about what does not fit.
 */
enum WayKind: string
{
    /** It is due later. */
    case Later = 'later';
    /** Less of it is done. */
    case Less = 'less';
    /** Somebody else does it. */
    case HandOver = 'hand_over';
    /** What is meant for a day that holds too much is meant for another. */
    case OtherDay = 'other_day';
}

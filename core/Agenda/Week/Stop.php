<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Week;

/**
 * The stops of the walk on which one looks back over a week, in order.
 */
enum Stop: string
{
    case Completed = 'completed';
    /** What was promised and is over its due. */
    case Over = 'over';
    /** What was put off again and again. */
    case PutOff = 'put_off';
    /** What others owe, and whether they have said anything. */
    case Owed = 'owed';
    /** Lists in which nothing can be done next. */
    case Lists = 'lists';
    case NoDate = 'no_date';
    case Tray = 'tray';
    /** The two weeks that come. */
    case Ahead = 'ahead';
    case Figures = 'figures';
}

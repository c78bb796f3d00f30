<?php

declare(strict_types=1);

namespace ZippyTray\Core\Tray;

/**
 * Why something had better not be archived unseen.
 */
enum HeldBecause: string
{
    /** The person had it come back. */
    case Returned = 'returned';

    /** It asks for something, or is to be answered by its kind. */
    case Asks = 'asks';

    /** It names a day still to come. */
    case Day = 'day';

    /** It has not been read for advice. */
    case Unread = 'unread';

    /** Somebody wrote to the person, and never got an answer. */
    case Unanswered = 'unanswered';
}

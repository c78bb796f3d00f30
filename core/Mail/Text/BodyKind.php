<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Text;

/**
 * Whose words a stretch of a message's text is.
 */
enum BodyKind: string
{
    /** What the sender wrote now. */
    case Written = 'written';

    /** An earlier message, quoted or forwarded, with the line that says whose it is. */
    case Quoted = 'quoted';

    case Signature = 'signature';
}

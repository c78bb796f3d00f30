<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

/**
 * What has become of what lay in an inbox before the part that is to be decided.
 */
enum Older: string
{
    /** There is none: all of it was to be decided. */
    case None = 'none';

    /** It comes in, into the archive here, and then waits for the person to say what of it had better stay. */
    case Waiting = 'waiting';

    /** That was said: what does not stay is to leave the inbox there, too. */
    case Leaving = 'leaving';

    case Done = 'done';
}

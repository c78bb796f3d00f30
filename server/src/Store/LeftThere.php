<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

/**
 * What lay in an inbox before the part that was to be decided: archived here, and left in the inbox there.
 */
final readonly class LeftThere
{
    /** Whether a row c of server_copy is such a one. */
    public const COPY = "c.settled = 'inbox' AND c.agreed = 'archive' AND c.message_id IS NOT NULL";

    /** The same of a row e. */
    public const EARLIER = "e.settled = 'inbox' AND e.agreed = 'archive' AND e.message_id IS NOT NULL";
}

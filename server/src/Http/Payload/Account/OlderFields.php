<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http\Payload\Account;

/**
 * That what had better stay of the older mail has been said.
 */
final readonly class OlderFields
{
    /** @param bool $archiveThere whether the rest leaves the inbox on the server, too */
    public function __construct(public bool $archiveThere = false)
    {
    }
}

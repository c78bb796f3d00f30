<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\Imap;

use ZippyTray\Server\Mailroom\In\NotReached;

/**
 * The server does not take the name or the password.
 */
final class NotSignedIn extends NotReached
{
}

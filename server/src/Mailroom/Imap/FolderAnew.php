<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\Imap;

/**
 * The numbers of the messages in a folder do not hold any more (RFC 9051, 2.3.1.1, UIDVALIDITY).
 */
final class FolderAnew extends \RuntimeException
{
}

<?php

declare(strict_types=1);

namespace ZippyTray\Core\InStep;

/**
 * How a mail server is spoken to (RFC 8314).
 */
enum Security: string
{
    /** TLS from the first byte on. */
    case Tls = 'tls';

    /** TLS after it was asked for; without it nothing is said. */
    case StartTls = 'starttls';

    /** Without encryption; only to a server on the same machine. */
    case Plain = 'plain';
}

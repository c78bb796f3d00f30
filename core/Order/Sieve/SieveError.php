<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order\Sieve;

/**
 * A script that keeps to no grammar (RFC 5228, 8), with the line at which that is noticed.
 */
final class SieveError extends \RuntimeException
{
}

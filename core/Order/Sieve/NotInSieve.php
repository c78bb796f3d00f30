<?php

declare(strict_types=1);

namespace ZippyTray\Core\Order\Sieve;

/**
 * Something that cannot be said in the other language.
 */
final class NotInSieve extends \RuntimeException
{
}

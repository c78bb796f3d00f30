<?php

declare(strict_types=1);

namespace ZippyTray\Core;

/**
 * The thing that was asked for does not exist in this account.
 */
final class NotFound extends \RuntimeException
{
    public function __construct(public readonly string $what, public readonly string $id)
    {
        parent::__construct(\sprintf('This %s is not here any more. It may have been removed in another window.', $what));
    }
}

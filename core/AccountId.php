<?php

declare(strict_types=1);

namespace ZippyTray\Core;

/**
 * Whose something is.
 */
final readonly class AccountId extends Id
{
}

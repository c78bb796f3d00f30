<?php

declare(strict_types=1);

namespace ZippyTray\Core\Arrival;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Person\Person;

/**
 * Whose mail it is that comes in.
 */
final readonly class Recipient
{
    /** @param bool $endsSnooze whether a message brings back what was put off until a moment */
    public function __construct(public AccountId $accountId, public Person $person, public bool $endsSnooze = true)
    {
    }
}

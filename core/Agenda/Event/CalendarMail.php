<?php

declare(strict_types=1);

namespace ZippyTray\Core\Agenda\Event;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\EmailId;

/**
 * Which letters say something about events that has not been followed yet.
 */
interface CalendarMail
{
    /** What it says is to be followed, once, however often this is asked. */
    public function want(AccountId $accountId, EmailId $messageId): void;
}

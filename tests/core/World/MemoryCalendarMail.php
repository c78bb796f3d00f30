<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Event\CalendarMail;
use ZippyTray\Core\Mail\EmailId;

final class MemoryCalendarMail implements CalendarMail
{
    /** @var array<string, true> by message */
    public array $wanted = [];

    public function want(AccountId $accountId, EmailId $messageId): void
    {
        $this->wanted[$messageId->text] = true;
    }
}

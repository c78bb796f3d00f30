<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\Agenda\Event\CalendarLetters;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Event\EventTime;
use ZippyTray\Core\Agenda\Event\Participant;
use ZippyTray\Core\Mail\Address;

/**
 * Says in a word what would be written.
 */
final class PlainCalendarLetters implements CalendarLetters
{
    public function reply(Event $event, Participant $who, Address $owner, ?EventTime $proposed, string $comment): string
    {
        return 'reply '.$who->answer->value;
    }

    public function request(Event $event, Address $owner): string
    {
        return 'request '.$event->sequence();
    }

    public function cancel(Event $event, Address $owner, array $for, ?string $key): string
    {
        return 'cancel '.($key ?? 'all');
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Calendar;

use Psr\Clock\ClockInterface;
use ZippyTray\Core\Agenda\Event\CalendarLetters;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Event\EventTime;
use ZippyTray\Core\Agenda\Event\Participant;
use ZippyTray\Core\Mail\Address;

final readonly class CalendarLetterWriter implements CalendarLetters
{
    public function __construct(private ClockInterface $clock)
    {
    }

    public function reply(Event $event, Participant $who, Address $owner, ?EventTime $proposed, string $comment): string
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        $write = new WriteCalendar($now, $owner, null === $proposed ? 'reply' : 'counter');
        $write->answer($event, $who, $proposed, $comment);

        return $write->text();
    }

    public function request(Event $event, Address $owner): string
    {
        $write = new WriteCalendar(\DateTimeImmutable::createFromInterface($this->clock->now()), $owner, 'request');
        $write->event($event, false);

        return $write->text();
    }

    public function cancel(Event $event, Address $owner, array $for, ?string $key): string
    {
        $write = new WriteCalendar(\DateTimeImmutable::createFromInterface($this->clock->now()), $owner, 'cancel');
        $write->cancelled($event, $for, $key);

        return $write->text();
    }
}

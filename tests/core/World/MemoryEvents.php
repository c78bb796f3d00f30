<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\Agenda\Event\Events;
use ZippyTray\Core\NotFound;

final readonly class MemoryEvents implements Events
{
    public function __construct(private Memory $memory)
    {
    }

    public function get(AccountId $accountId, EventId $id): Event
    {
        return $this->memory->events[$id->text] ?? throw new NotFound('event', $id->text);
    }

    public function withUid(AccountId $accountId, string $uid): ?Event
    {
        return array_values(array_filter($this->memory->events, static fn (Event $event): bool => $event->uid() === $uid))[0] ?? null;
    }

    public function add(Event $event): void
    {
        $this->memory->events[$event->id->text] = $event;
    }

    public function remove(Event $event): void
    {
        unset($this->memory->events[$event->id->text]);
    }
}

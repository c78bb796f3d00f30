<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Event\Event;
use ZippyTray\Core\Agenda\Event\EventId;
use ZippyTray\Core\Agenda\Event\Events;
use ZippyTray\Core\NotFound;

final readonly class EventStore implements Events
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(AccountId $accountId, EventId $id): Event
    {
        return $this->orm->getRepository(Event::class)->findOneBy(['accountId' => $accountId, 'id' => $id])
            ?? throw new NotFound('event', $id->text);
    }

    public function withUid(AccountId $accountId, string $uid): ?Event
    {
        $this->orm->flush();

        return $this->orm->getRepository(Event::class)->findOneBy(['accountId' => $accountId, 'uid' => $uid]);
    }

    public function add(Event $event): void
    {
        $this->orm->persist($event);
    }

    public function remove(Event $event): void
    {
        $this->orm->remove($event);
    }
}

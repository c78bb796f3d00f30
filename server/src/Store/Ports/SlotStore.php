<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Slot;
use ZippyTray\Core\Agenda\SlotId;
use ZippyTray\Core\Agenda\Slots;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\TaskId;

final readonly class SlotStore implements Slots
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(AccountId $accountId, SlotId $id): Slot
    {
        return $this->orm->getRepository(Slot::class)->findOneBy(['accountId' => $accountId, 'id' => $id])
            ?? throw new NotFound('slot', $id->text);
    }

    public function ofTask(AccountId $accountId, TaskId $taskId): array
    {
        $this->orm->flush();

        return $this->orm->getRepository(Slot::class)->findBy(
            ['accountId' => $accountId, 'taskId' => $taskId],
            ['day' => 'ASC', 'at' => 'ASC', 'id' => 'ASC'],
        );
    }

    public function add(Slot $slot): void
    {
        $this->orm->persist($slot);
    }

    public function remove(Slot $slot): void
    {
        $this->orm->remove($slot);
    }
}

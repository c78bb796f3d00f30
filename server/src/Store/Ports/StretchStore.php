<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Clock\Stretch;
use ZippyTray\Core\Agenda\Clock\Stretches;
use ZippyTray\Core\Agenda\Clock\StretchId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\TaskId;

final readonly class StretchStore implements Stretches
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(AccountId $accountId, StretchId $id): Stretch
    {
        return $this->find($accountId, $id) ?? throw new NotFound('stretch', $id->text);
    }

    public function find(AccountId $accountId, StretchId $id): ?Stretch
    {
        return $this->orm->getRepository(Stretch::class)->findOneBy(['accountId' => $accountId, 'id' => $id]);
    }

    public function running(AccountId $accountId): ?Stretch
    {
        $this->orm->flush();

        return $this->orm->getRepository(Stretch::class)->findOneBy(['accountId' => $accountId, 'ends' => null]);
    }

    public function ofTask(AccountId $accountId, TaskId $taskId): array
    {
        $this->orm->flush();

        return $this->orm->getRepository(Stretch::class)->findBy(
            ['accountId' => $accountId, 'taskId' => $taskId],
            ['begins' => 'ASC', 'id' => 'ASC'],
        );
    }

    public function add(Stretch $stretch): void
    {
        // What was paused for it has to be so first: only one runs.
        $this->orm->flush();
        $this->orm->persist($stretch);
    }

    public function remove(Stretch $stretch): void
    {
        $this->orm->remove($stretch);
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\ClearingId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Tray\Clearing;
use ZippyTray\Core\Tray\Clearings;

final readonly class ClearingStore implements Clearings
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(AccountId $accountId, ClearingId $id): Clearing
    {
        return $this->find($accountId, $id) ?? throw new NotFound('clearing', $id->text);
    }

    public function find(AccountId $accountId, ClearingId $id): ?Clearing
    {
        return $this->orm->getRepository(Clearing::class)->findOneBy(['accountId' => $accountId, 'id' => $id]);
    }

    public function add(Clearing $clearing): void
    {
        $this->orm->persist($clearing);
    }
}

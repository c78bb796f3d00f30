<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Find\KeptSearch;
use ZippyTray\Core\Find\KeptSearches;

final readonly class KeptSearchStore implements KeptSearches
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function all(AccountId $accountId): array
    {
        return $this->orm->getRepository(KeptSearch::class)->findBy(['accountId' => $accountId], ['rank' => 'ASC', 'id' => 'ASC']);
    }

    public function add(KeptSearch $search): void
    {
        $this->orm->persist($search);
    }

    public function remove(KeptSearch $search): void
    {
        $this->orm->remove($search);
    }
}

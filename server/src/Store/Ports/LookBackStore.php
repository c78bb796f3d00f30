<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Week\LookBack;
use ZippyTray\Core\Agenda\Week\LookBacks;
use ZippyTray\Core\Time\LocalDate;

final readonly class LookBackStore implements LookBacks
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function of(AccountId $accountId, LocalDate $week): ?LookBack
    {
        return $this->orm->getRepository(LookBack::class)->findOneBy(['accountId' => $accountId, 'week' => (string) $week]);
    }

    public function add(LookBack $lookBack): void
    {
        $this->orm->persist($lookBack);
    }
}

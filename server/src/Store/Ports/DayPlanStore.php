<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Agenda\Day\DayPlan;
use ZippyTray\Core\Agenda\Day\DayPlans;
use ZippyTray\Core\Time\LocalDate;

final readonly class DayPlanStore implements DayPlans
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function of(AccountId $accountId, LocalDate $day): ?DayPlan
    {
        $this->orm->flush();

        return $this->orm->getRepository(DayPlan::class)->findOneBy(['accountId' => $accountId, 'day' => (string) $day]);
    }

    public function add(DayPlan $plan): void
    {
        $this->orm->persist($plan);
    }
}

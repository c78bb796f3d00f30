<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Tray\Importance\Correction;
use ZippyTray\Core\Tray\Importance\Corrections;

final readonly class CorrectionStore implements Corrections
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(AccountId $accountId, string $id): Correction
    {
        return $this->orm->getRepository(Correction::class)->findOneBy(['accountId' => $accountId, 'id' => $id])
            ?? throw new NotFound('correction', $id);
    }

    public function of(AccountId $accountId, string $trait): ?Correction
    {
        return $this->orm->getRepository(Correction::class)->findOneBy(['accountId' => $accountId, 'trait' => $trait]);
    }

    public function add(Correction $correction): void
    {
        $this->orm->persist($correction);
    }

    public function remove(Correction $correction): void
    {
        $this->orm->remove($correction);
        $this->orm->flush();
    }

    /** @return list<Correction> the latest first */
    public function all(AccountId $accountId): array
    {
        return $this->orm->getRepository(Correction::class)->findBy(['accountId' => $accountId], ['madeAt' => 'DESC', 'id' => 'ASC']);
    }
}

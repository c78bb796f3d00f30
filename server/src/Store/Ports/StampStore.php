<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Stamp\Stamp;
use ZippyTray\Core\Stamp\StampId;
use ZippyTray\Core\Stamp\Stamps;

final readonly class StampStore implements Stamps
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(AccountId $accountId, StampId $id): Stamp
    {
        return $this->orm->getRepository(Stamp::class)->findOneBy(['accountId' => $accountId, 'id' => $id])
            ?? throw new NotFound('stamp', $id->text);
    }

    public function all(AccountId $accountId): array
    {
        $all = $this->orm->getRepository(Stamp::class)->findBy(['accountId' => $accountId]);
        usort($all, static fn (Stamp $a, Stamp $b): int => [
            $a->key() ?? \PHP_INT_MAX,
            mb_strtolower($a->name()),
        ] <=> [$b->key() ?? \PHP_INT_MAX, mb_strtolower($b->name())]);

        return $all;
    }

    public function add(Stamp $stamp): void
    {
        $this->orm->persist($stamp);
    }

    public function remove(Stamp $stamp): void
    {
        $this->orm->remove($stamp);
        $this->orm->flush();
    }
}

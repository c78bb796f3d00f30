<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Tray\BlockedSender;
use ZippyTray\Core\Tray\BlockedSenders;

final readonly class BlockedSenderStore implements BlockedSenders
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(AccountId $accountId, string $id): BlockedSender
    {
        return $this->orm->getRepository(BlockedSender::class)->findOneBy(['accountId' => $accountId, 'id' => $id])
            ?? throw new NotFound('blocked sender', $id);
    }

    public function find(AccountId $accountId, string $pattern): ?BlockedSender
    {
        return $this->orm->getRepository(BlockedSender::class)->findOneBy(['accountId' => $accountId, 'pattern' => $pattern]);
    }

    public function isAnyBlocked(AccountId $accountId, array $patterns): bool
    {
        return false !== $this->orm->getConnection()->fetchOne(
            'SELECT 1 FROM blocked_sender WHERE account_id = ? AND pattern IN (SELECT value FROM json_each(?))',
            [$accountId, json_encode($patterns, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE)],
        );
    }

    public function add(BlockedSender $sender): void
    {
        $this->orm->persist($sender);
        $this->orm->flush();
    }

    public function remove(BlockedSender $sender): void
    {
        $this->orm->remove($sender);
        $this->orm->flush();
    }
}

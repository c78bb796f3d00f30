<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Owed\Owed;
use ZippyTray\Core\Owed\OwedState;
use ZippyTray\Core\Owed\Owing;

final readonly class OwedStore implements Owing
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(string $accountId, string $id): Owed
    {
        return $this->orm->getRepository(Owed::class)->findOneBy(['accountId' => $accountId, 'id' => $id]) ?? throw new NotFound('answer', $id);
    }

    public function add(Owed $owed): void
    {
        $this->orm->persist($owed);
    }

    public function openIn(string $accountId, string $conversationId): array
    {
        return $this->open($accountId, ['conversationId' => $conversationId]);
    }

    public function openOf(string $accountId, string $outgoingId): array
    {
        return $this->open($accountId, ['outgoingId' => $outgoingId]);
    }

    public function move(string $accountId, string $fromConversation, string $toConversation): void
    {
        foreach ($this->orm->getRepository(Owed::class)->findBy(['accountId' => $accountId, 'conversationId' => $fromConversation]) as $owed) {
            $owed->belongsTo($toConversation);
        }
    }

    /**
     * @param array<string, string> $where
     *
     * @return list<Owed>
     */
    private function open(string $accountId, array $where): array
    {
        $this->orm->flush();

        return $this->orm->getRepository(Owed::class)->findBy(['accountId' => $accountId, 'state' => OwedState::Open] + $where, ['askedAt' => 'ASC', 'id' => 'ASC']);
    }
}

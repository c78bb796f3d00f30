<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Lists\Reference;
use ZippyTray\Core\Lists\References;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Task\ListId;

final readonly class ReferenceStore implements References
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(AccountId $accountId, string $id): Reference
    {
        return $this->orm->getRepository(Reference::class)->findOneBy(['accountId' => $accountId, 'id' => $id])
            ?? throw new NotFound('thing to look up', $id);
    }

    public function ofList(AccountId $accountId, ListId $listId): array
    {
        $this->orm->flush();

        return $this->orm->getRepository(Reference::class)->findBy(
            ['accountId' => $accountId, 'listId' => $listId],
            ['rank' => 'ASC', 'id' => 'ASC'],
        );
    }

    public function rankBehind(AccountId $accountId, ListId $listId, ?string $rank, string $except = ''): ?string
    {
        return $this->rank('MIN', [$accountId, $listId, $rank ?? '', $except]);
    }

    public function lastRank(AccountId $accountId, ListId $listId): ?string
    {
        return $this->rank('MAX', [$accountId, $listId, '', '']);
    }

    /** @param array{AccountId, ListId, string, string} $with */
    private function rank(string $which, array $with): ?string
    {
        $this->orm->flush();
        $found = $this->orm->getConnection()->fetchOne(
            "SELECT {$which}(rank) FROM reference WHERE account_id = ? AND list_id = ? AND rank > ? AND id <> ?",
            $with,
        );

        return \is_string($found) ? $found : null;
    }

    public function add(Reference $reference): void
    {
        $this->orm->persist($reference);
    }

    public function remove(Reference $reference): void
    {
        $this->orm->remove($reference);
    }
}

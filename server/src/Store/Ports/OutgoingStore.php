<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Post\Outgoing;
use ZippyTray\Core\Post\Outgoings;
use ZippyTray\Core\Post\OutgoingState;
use ZippyTray\Server\Store\StoredNow;

final readonly class OutgoingStore implements Outgoings
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(AccountId $accountId, OutgoingId $id): Outgoing
    {
        return $this->find($accountId, $id) ?? throw new NotFound('draft', $id->text);
    }

    public function find(AccountId $accountId, OutgoingId $id): ?Outgoing
    {
        return $this->orm->getRepository(Outgoing::class)->findOneBy(['accountId' => $accountId, 'id' => $id]);
    }

    public function withHeader(AccountId $accountId, string $messageHeader): ?Outgoing
    {
        return $this->orm->getRepository(Outgoing::class)->findOneBy(['accountId' => $accountId, 'messageHeader' => $messageHeader]);
    }

    public function add(Outgoing $outgoing): void
    {
        $this->orm->persist($outgoing);
    }

    public function remove(Outgoing $outgoing): void
    {
        $this->orm->remove($outgoing);
        $this->orm->flush();
    }

    public function due(\DateTimeImmutable $now): array
    {
        return $this->some(
            'SELECT id FROM outgoing WHERE state = ? AND COALESCE(next_try_at, goes_at) <= ? ORDER BY goes_at, id LIMIT 50',
            [OutgoingState::Waiting->value, StoredNow::of($now)],
        );
    }

    public function begun(): array
    {
        return $this->some('SELECT id FROM outgoing WHERE state = ? ORDER BY goes_at, id', [OutgoingState::Sending->value]);
    }

    /**
     * @param list<string> $parameters
     *
     * @return list<Outgoing>
     */
    private function some(string $query, array $parameters): array
    {
        $ids = $this->orm->getConnection()->fetchFirstColumn($query, $parameters);

        return [] === $ids ? [] : $this->orm->getRepository(Outgoing::class)->findBy(['id' => $ids], ['goesAt' => 'ASC', 'id' => 'ASC']);
    }
}

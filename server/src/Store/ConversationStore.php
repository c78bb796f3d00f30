<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Place;

final readonly class ConversationStore implements Conversations
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(string $accountId, string $id): Conversation
    {
        return $this->orm->getRepository(Conversation::class)->findOneBy(['accountId' => $accountId, 'id' => $id])
            ?? throw new NotFound('conversation', $id);
    }

    public function add(Conversation $conversation): void
    {
        $this->orm->persist($conversation);
    }

    public function join(Conversation $from, Conversation $into): void
    {
        $this->orm->flush();
        $connection = $this->orm->getConnection();
        foreach (['conversation_message', 'thread_id'] as $table) {
            $connection->update($table, ['conversation_id' => $into->id], ['conversation_id' => $from->id]);
        }
        $this->orm->remove($from);
        $this->orm->flush();
    }

    public function binned(string $accountId, ?\DateTimeImmutable $since = null): array
    {
        $query = $this->orm->createQueryBuilder()
            ->select('c')->from(Conversation::class, 'c')
            ->where('c.accountId = :account')->andWhere('c.place = :bin')
            ->orderBy('c.binnedAt')
            ->setParameter('account', $accountId)->setParameter('bin', Place::Bin);
        if (null !== $since) {
            $query->andWhere('c.binnedAt <= :since')->setParameter('since', $since, 'utc_datetime');
        }
        /** @var list<Conversation> $binned */
        $binned = $query->getQuery()->getResult();

        return $binned;
    }

    public function erase(Conversation $conversation): void
    {
        $connection = $this->orm->getConnection();
        /** @var list<array{number: int, message_id: string}> $messages */
        $messages = $connection->fetchAllAssociative('SELECT number, message_id FROM conversation_message WHERE conversation_id = ?', [$conversation->id]);
        foreach ($messages as ['number' => $number, 'message_id' => $id]) {
            $connection->delete('message_search', ['rowid' => $number]);
            $connection->delete('conversation_message', ['number' => $number]);
            $connection->delete('message_source', ['message_id' => $id]);
            $connection->delete('message', ['id' => $id]);
        }
        $connection->delete('thread_id', ['conversation_id' => $conversation->id]);
        $this->orm->remove($conversation);
    }
}

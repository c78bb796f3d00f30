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

    public function move(array $messageIds, Conversation $conversation): void
    {
        $this->orm->flush();
        $this->orm->getConnection()->executeStatement(
            'UPDATE conversation_message SET conversation_id = ? WHERE message_id IN (SELECT value FROM json_each(?))',
            [$conversation->id, json_encode($messageIds, \JSON_THROW_ON_ERROR)],
        );
    }

    public function forget(Conversation $conversation): void
    {
        $this->orm->remove($conversation);
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
            $connection->delete('thread_id', ['message_id' => $id]);
            $connection->delete('thread_subject', ['message_id' => $id]);
            $connection->delete('message', ['id' => $id]);
        }
        $this->orm->remove($conversation);
    }
}

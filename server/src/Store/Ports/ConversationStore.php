<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Store\PeopleIndex;
use ZippyTray\Server\Store\StoredNow;
use ZippyTray\Server\Store\WhereNow;

final readonly class ConversationStore implements Conversations
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(AccountId $accountId, ConversationId $id): Conversation
    {
        return $this->orm->getRepository(Conversation::class)->findOneBy(['accountId' => $accountId, 'id' => $id])
            ?? throw new NotFound('conversation', $id->text);
    }

    public function several(AccountId $accountId, array $ids): array
    {
        $found = [];
        foreach (array_chunk($ids, 500) as $some) {
            foreach ($this->orm->getRepository(Conversation::class)->findBy(['id' => $some]) as $conversation) {
                $found[$conversation->id->text] = $conversation;
            }
        }

        return array_combine($ids, array_map(
            static fn (string $id): Conversation => true === ($found[$id] ?? null)?->accountId->is($accountId)
                ? $found[$id]
                : throw new NotFound('conversation', $id),
            $ids,
        ));
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

    public function binned(AccountId $accountId, ?\DateTimeImmutable $since = null): array
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

    public function waitingFrom(AccountId $accountId, string $pattern, \DateTimeImmutable $now): array
    {
        return $this->found(
            'c.account_id = :account AND ('.WhereNow::is(Place::Tray).' OR '.WhereNow::HELD.')
             AND NOT EXISTS (SELECT 1 FROM conversation_message x JOIN message m ON m.id = x.message_id
                WHERE x.conversation_id = c.id AND NOT m.own AND NOT ('.self::of("LOWER(m.sender ->> 'email')").'))
             AND ('.self::of('LOWER(c.latest_email)').')',
            ['account' => $accountId->text, 'now' => StoredNow::of($now)] + self::patternParameters($pattern),
        );
    }

    public function blockedFrom(AccountId $accountId, string $pattern): array
    {
        return $this->found(
            "c.account_id = :account AND c.place = 'blocked' AND (".self::of('LOWER(c.latest_email)').')',
            ['account' => $accountId->text] + self::patternParameters($pattern),
        );
    }

    public function awaitingClearing(AccountId $accountId, \DateTimeImmutable $now, \DateTimeImmutable $until): array
    {
        $found = $this->found(
            'c.account_id = :account AND '.WhereNow::AWAY." AND c.away_reason = 'next_clearing' AND c.decided_at <= :until",
            ['account' => $accountId->text, 'now' => StoredNow::of($now), 'until' => StoredNow::of($until)],
        );
        usort($found, static fn (Conversation $a, Conversation $b): int => [$a->decidedAt(), $a->id] <=> [$b->decidedAt(), $b->id]);

        return $found;
    }

    public function held(AccountId $accountId, \DateTimeImmutable $now): array
    {
        $found = $this->found('c.account_id = :account AND '.WhereNow::HELD, ['account' => $accountId->text, 'now' => StoredNow::of($now)]);
        usort($found, static fn (Conversation $a, Conversation $b): int => [$a->awayUntil()?->instant, $a->summary()->latestAt, $a->id]
            <=> [$b->awayUntil()?->instant, $b->summary()->latestAt, $b->id]);

        return $found;
    }

    public function touched(Conversation $conversation, string $occasion, \DateTimeImmutable $at): void
    {
        $this->orm->getConnection()->executeStatement(
            'INSERT OR IGNORE INTO conversation_touch (conversation_id, occasion, touched_at) VALUES (?, ?, ?)',
            [$conversation->id, $occasion, StoredNow::of($at)],
        );
    }

    /** An address is the pattern itself; one of a domain ends with it, or with a dot and the domain. */
    private static function of(string $email): string
    {
        return "{$email} = :pattern OR (SUBSTR(:pattern, 1, 1) = '@' AND ({$email} LIKE :domain OR {$email} LIKE :below))";
    }

    /** @return array<string, string> */
    private static function patternParameters(string $pattern): array
    {
        return ['pattern' => $pattern, 'domain' => '%'.$pattern, 'below' => '%.'.ltrim($pattern, '@')];
    }

    /**
     * @param array<string, string> $parameters
     *
     * @return list<Conversation>
     */
    private function found(string $where, array $parameters): array
    {
        $this->orm->flush();
        $ids = $this->orm->getConnection()->fetchFirstColumn("SELECT c.id FROM conversation c WHERE {$where}", $parameters);

        return [] === $ids ? [] : $this->orm->getRepository(Conversation::class)->findBy(['id' => $ids]);
    }

    public function erase(Conversation $conversation): void
    {
        $connection = $this->orm->getConnection();
        /** @var list<array{number: int, message_id: string}> $messages */
        $messages = $connection->fetchAllAssociative(
            'SELECT number, message_id FROM conversation_message WHERE conversation_id = ?',
            [$conversation->id],
        );
        PeopleIndex::forget($connection, array_column($messages, 'message_id'));
        foreach ($messages as ['number' => $number, 'message_id' => $id]) {
            $connection->executeStatement(
                'INSERT OR IGNORE INTO erased_message SELECT account_id, fingerprint FROM message WHERE id = ?',
                [$id],
            );
            $connection->delete('conversation_message', ['number' => $number]);
            $connection->delete('message_source', ['message_id' => $id]);
            $connection->delete('thread_id', ['message_id' => $id]);
            $connection->delete('thread_subject', ['message_id' => $id]);
            $connection->delete('message', ['id' => $id]);
        }
        $this->orm->remove($conversation);
    }
}

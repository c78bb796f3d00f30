<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Order\Effects;
use ZippyTray\Core\Order\OrderId;
use ZippyTray\Core\Order\Orders;
use ZippyTray\Core\Order\StandingOrder;
use ZippyTray\Server\Store\StoredNow;

final readonly class OrderStore implements Orders, Effects
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function get(AccountId $accountId, OrderId $id): StandingOrder
    {
        return $this->orm->getRepository(StandingOrder::class)->findOneBy(['accountId' => $accountId, 'id' => $id])
            ?? throw new NotFound('standing order', $id->text);
    }

    public function all(AccountId $accountId): array
    {
        $this->orm->flush();

        return $this->orm->getRepository(StandingOrder::class)->findBy(['accountId' => $accountId], ['rank' => 'ASC', 'id' => 'ASC']);
    }

    public function add(StandingOrder $order): void
    {
        $this->orm->persist($order);
    }

    public function remove(StandingOrder $order): void
    {
        $this->orm->remove($order);
        $this->orm->flush();
    }

    /** Without an order that is on, none is wanted. */
    public function want(AccountId $accountId, EmailId $messageId): void
    {
        $this->orm->getConnection()->executeStatement(
            'INSERT OR IGNORE INTO order_wanted (message_id, account_id) SELECT :message, :account WHERE EXISTS (
                SELECT 1 FROM standing_order WHERE account_id = :account AND is_on)',
            ['message' => $messageId, 'account' => $accountId],
        );
    }

    /** @return list<array{account: string, message: string}> those that are not waiting to be read; the oldest first */
    public function wanted(int $most): array
    {
        /** @var list<array{account: string, message: string}> $wanted */
        $wanted = $this->orm->getConnection()->fetchAllAssociative(
            'SELECT w.account_id AS account, w.message_id AS message FROM order_wanted w
                WHERE NOT EXISTS (SELECT 1 FROM findings_wanted f WHERE f.message_id = w.message_id)
                ORDER BY w.rowid LIMIT '.$most,
        );

        return $wanted;
    }

    public function settled(EmailId $messageId): void
    {
        $this->orm->getConnection()->delete('order_wanted', ['message_id' => $messageId]);
    }

    public function note(
        AccountId $accountId,
        OrderId $orderId,
        EntryId $entryId,
        ConversationId $conversationId,
        bool $past,
        \DateTimeImmutable $at,
    ): void {
        $this->orm->getConnection()->executeStatement(
            'INSERT OR REPLACE INTO order_effect (entry_id, account_id, order_id, conversation_id, past, done_at)
                VALUES (?, ?, ?, ?, ?, ?)',
            [$entryId, $accountId, $orderId, $conversationId, (int) $past, StoredNow::of($at)],
        );
    }

    public function hasAnswered(AccountId $accountId, string $email, \DateTimeImmutable $since): bool
    {
        return false !== $this->orm->getConnection()->fetchOne(
            'SELECT 1 FROM order_answer WHERE account_id = ? AND email = ? AND answered_at > ?',
            [$accountId, strtolower($email), StoredNow::of($since)],
        );
    }

    public function noteAnswer(AccountId $accountId, string $email, \DateTimeImmutable $at): void
    {
        $this->orm->getConnection()->executeStatement(
            'INSERT INTO order_answer (account_id, email, answered_at) VALUES (?, ?, ?)
                ON CONFLICT (account_id, email) DO UPDATE SET answered_at = excluded.answered_at',
            [$accountId, strtolower($email), StoredNow::of($at)],
        );
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Work;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Order\Arrived;
use ZippyTray\Core\Order\CarryOut;
use ZippyTray\Core\Order\MessageFacts;
use ZippyTray\Core\Order\StandingOrder;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Importance\NotReadYet;
use ZippyTray\Core\Tray\Undecided;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Read\Order\OrderFacts;
use ZippyTray\Server\Read\Tray\StampHands;
use ZippyTray\Server\Store\Attempts;
use ZippyTray\Server\Store\Ports\OrderStore;
use ZippyTray\Server\Store\StoredNow;

/**
 * Carries standing orders out on what has arrived since, as soon as it has been read.
 */
final readonly class CarryOutOrders
{
    private const AT_ONCE = 200;

    public function __construct(
        private OrderStore $orders,
        private OrderFacts $facts,
        private StampHands $hands,
        private CarryOut $carryOut,
        private Messages $messages,
        private Conversations $conversations,
        private Accounts $accounts,
        private Attempts $attempts,
        private EntityManagerInterface $orm,
        private LoggerInterface $logger,
    ) {
    }

    /**
     * What cannot be carried out is logged, and not tried again.
     *
     * @param callable(): bool $isEnding asked before each message
     *
     * @return int on how many messages they were carried out
     */
    public function __invoke(callable $isEnding): int
    {
        $done = 0;
        foreach ($this->orders->wanted(self::AT_ONCE) as ['account' => $accountId, 'message' => $id]) {
            if ($isEnding()) {
                break;
            }
            try {
                if (!$this->attempts->begin('orders '.$id)) {
                    throw new \RuntimeException('It has ended the worker several times.');
                }
                $this->one($this->accounts->get($accountId), $this->messages->get(new AccountId($accountId), new EmailId($id)));
            } catch (NotReadYet) {
                $this->attempts->end();
                continue;
            } catch (NotFound) {
                // It was removed meanwhile.
            } catch (\Throwable $problem) {
                $this->logger->error('Standing orders could not be carried out.', ['message' => $id, 'exception' => $problem]);
            }
            $this->attempts->end();
            $this->orders->settled(new EmailId($id));
            $this->orm->clear();
            ++$done;
        }

        return $done;
    }

    /** @throws NotReadYet */
    private function one(Account $account, Message $message): void
    {
        $orders = array_values(array_filter($this->orders->all($account->id), $this->isSound(...)));
        $conditions = array_map(static fn (StandingOrder $order) => $order->condition(), $orders);
        $conversationId = $this->messages->conversationOf($message);
        $undecided = $this->undecided($account->id, $message);
        $facts = $this->facts->of(
            $account,
            array_map(static fn (Message $one): array => [$one, $conversationId->text], [$message, ...$undecided]),
            $conditions,
            true,
        );
        $outcomes = ($this->carryOut)(
            $account->id,
            $orders,
            new Arrived(
                $message,
                $conversationId,
                $facts[$message->id->text] ?? new MessageFacts(),
                array_values(array_diff_key($facts, [$message->id->text => true])),
            ),
            $this->hands->of(
                $account,
                [$conversationId->text],
                array_merge(...array_map(static fn (StandingOrder $order): array => $order->steps(), $orders)),
            ),
        );
        foreach ($outcomes as $outcome) {
            '' === $outcome->trouble || $this->logger->warning('A standing order could not be carried out.', [
                'order' => $outcome->order->id->text,
                'message' => $message->id->text,
                'why' => $outcome->trouble,
            ]);
        }
    }

    /** One that is damaged is logged, and does not keep the others from being carried out. */
    private function isSound(StandingOrder $order): bool
    {
        try {
            $order->condition();
            $order->steps();

            return true;
        } catch (\Throwable $problem) {
            $this->logger->error('A standing order is damaged.', ['order' => $order->id->text, 'exception' => $problem]);

            return false;
        }
    }

    /** @return list<Message> the others of its conversation that are undecided */
    private function undecided(AccountId $accountId, Message $message): array
    {
        $conversation = $this->conversations->get($accountId, $this->messages->conversationOf($message));
        $all = $this->messages->ofConversation($accountId, $conversation->id);
        $ids = Undecided::of(
            array_map(static fn (Message $one): array => [
                'id' => $one->id->text,
                'own' => $one->own,
                'byItself' => $one->own && $one->isAutomatic(),
                'importedAt' => StoredNow::of($one->importedAt),
            ], $all),
            null === $conversation->decidedAt() ? '' : StoredNow::of($conversation->decidedAt()),
        );

        return array_values(array_filter(
            $all,
            static fn (Message $one): bool => !$one->id->is($message->id) && \in_array($one->id->text, $ids, true),
        ));
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Order\Effects;
use ZippyTray\Core\Order\OrderId;
use ZippyTray\Core\Order\Orders;
use ZippyTray\Core\Order\StandingOrder;

final readonly class MemoryOrders implements Orders, Effects
{
    public function __construct(private Memory $memory)
    {
    }

    public function get(AccountId $accountId, OrderId $id): StandingOrder
    {
        return $this->memory->orders[$id->text] ?? throw new NotFound('standing order', $id->text);
    }

    public function all(AccountId $accountId): array
    {
        $all = array_values($this->memory->orders);
        usort($all, static fn (StandingOrder $a, StandingOrder $b): int => $a->rank() <=> $b->rank());

        return $all;
    }

    public function add(StandingOrder $order): void
    {
        $this->memory->orders[$order->id->text] = $order;
    }

    public function remove(StandingOrder $order): void
    {
        unset($this->memory->orders[$order->id->text]);
    }

    public function want(AccountId $accountId, EmailId $messageId): void
    {
        $this->memory->orderWanted[] = $messageId->text;
    }

    public function note(
        AccountId $accountId,
        OrderId $orderId,
        EntryId $entryId,
        ConversationId $conversationId,
        bool $past,
        \DateTimeImmutable $at,
    ): void {
        $this->memory->effects[] = [
            'order' => $orderId->text,
            'entry' => $entryId->text,
            'conversation' => $conversationId->text,
            'past' => $past,
        ];
    }

    public function hasAnswered(AccountId $accountId, string $email, \DateTimeImmutable $since): bool
    {
        return ($this->memory->answered[strtolower($email)] ?? new \DateTimeImmutable('@0')) > $since;
    }

    public function noteAnswer(AccountId $accountId, string $email, \DateTimeImmutable $at): void
    {
        $this->memory->answered[strtolower($email)] = $at;
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Lists\Card;
use ZippyTray\Core\Lists\Cards;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Task\ListId;

final readonly class CardStore implements Cards
{
    public function __construct(private EntityManagerInterface $orm)
    {
    }

    public function ofConversation(AccountId $accountId, ConversationId $conversationId): array
    {
        return Unwritten::beside(
            $this->orm,
            $this->orm->getRepository(Card::class)->findBy(['accountId' => $accountId, 'conversationId' => $conversationId]),
            static fn (object $one): bool => $one instanceof Card && $one->accountId->is($accountId)
                && $one->conversationId()->is($conversationId),
        );
    }

    public function ofList(AccountId $accountId, ListId $listId): array
    {
        return Unwritten::beside(
            $this->orm,
            $this->orm->getRepository(Card::class)->findBy(['accountId' => $accountId, 'listId' => $listId]),
            static fn (object $one): bool => $one instanceof Card && $one->accountId->is($accountId) && $one->listId()->is($listId),
        );
    }

    public function put(Card $card): void
    {
        $this->orm->persist($card);
    }

    public function takeOut(Card $card): void
    {
        $this->orm->remove($card);
    }
}

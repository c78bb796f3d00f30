<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Lists\Card;
use ZippyTray\Core\Lists\Cards;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Task\ListId;

final readonly class MemoryCards implements Cards
{
    public function __construct(private Memory $memory)
    {
    }

    public function ofConversation(AccountId $accountId, ConversationId $conversationId): array
    {
        return array_values(array_filter(
            $this->memory->cards,
            static fn (Card $card): bool => $card->conversationId()->is($conversationId),
        ));
    }

    public function ofList(AccountId $accountId, ListId $listId): array
    {
        return array_values(array_filter($this->memory->cards, static fn (Card $card): bool => $card->listId()->is($listId)));
    }

    public function put(Card $card): void
    {
        $this->memory->cards[$card->id] = $card;
    }

    public function takeOut(Card $card): void
    {
        unset($this->memory->cards[$card->id]);
    }
}

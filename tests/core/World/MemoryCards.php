<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\ObjectRef;
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

    public function atStages(AccountId $accountId, array $conversationIds, array $listIds): array
    {
        return array_values(array_filter(
            $this->memory->cards,
            static fn (Card $card): bool => null !== $card->stage()
                && \in_array($card->conversationId()->text, array_column($conversationIds, 'text'), true)
                && \in_array($card->listId()->text, array_column($listIds, 'text'), true),
        ));
    }

    public function rankBehind(AccountId $accountId, ListId $listId, string $stage, ?string $rank, array $except = []): ?string
    {
        $ranks = array_filter($this->ranks($listId, $stage, $except), static fn (string $one): bool => $one > ($rank ?? ''));

        return [] === $ranks ? null : min($ranks);
    }

    public function lastRank(AccountId $accountId, ListId $listId, string $stage): ?string
    {
        $ranks = $this->ranks($listId, $stage, []);

        return [] === $ranks ? null : max($ranks);
    }

    /**
     * @param list<ObjectRef> $except
     *
     * @return list<string>
     */
    private function ranks(ListId $listId, string $stage, array $except): array
    {
        $ranks = [];
        foreach ([...array_values($this->memory->cards), ...array_values($this->memory->tasks)] as $one) {
            if ($one->listId()->is($listId) && $one->stage()?->stage === $stage && !\in_array($one->ref(), $except, false)) {
                $ranks[] = $one->stage()->rank;
            }
        }

        return $ranks;
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

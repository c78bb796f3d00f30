<?php

declare(strict_types=1);

namespace ZippyTray\Core\Lists;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Task\ListId;

/**
 * Which conversations belong to which lists. Every call is bound to one account.
 */
interface Cards
{
    /** @return list<Card> */
    public function ofConversation(AccountId $accountId, ConversationId $conversationId): array;

    /** @return list<Card> */
    public function ofList(AccountId $accountId, ListId $listId): array;

    /**
     * Of those conversations and lists the cards that stand at a stage.
     *
     * @param list<ConversationId> $conversationIds
     * @param list<ListId>         $listIds
     *
     * @return list<Card>
     */
    public function atStages(AccountId $accountId, array $conversationIds, array $listIds): array;

    /**
     * The tasks and conversations that stand at a stage, in one order. What is not written yet counts.
     *
     * @param string|null     $rank   the place behind which is looked; null: the beginning
     * @param list<ObjectRef> $except tasks and cards that do not count
     *
     * @return string|null the rank of the next one, or null when none follows
     */
    public function rankBehind(AccountId $accountId, ListId $listId, string $stage, ?string $rank, array $except = []): ?string;

    /** @return string|null the rank of the last one at a stage; null when there is none */
    public function lastRank(AccountId $accountId, ListId $listId, string $stage): ?string;

    public function put(Card $card): void;

    public function takeOut(Card $card): void;
}

<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\ORM\EntityManagerInterface;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\ObjectRef;
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

    public function atStages(AccountId $accountId, array $conversationIds, array $listIds): array
    {
        $found = [];
        $lists = json_encode(array_column($listIds, 'text'), \JSON_THROW_ON_ERROR);
        foreach (array_chunk($conversationIds, 500) as $some) {
            $ids = $this->orm->getConnection()->fetchFirstColumn(
                'SELECT x.id FROM json_each(:conversations) w CROSS JOIN card x ON x.conversation_id = w.value
                 WHERE x.account_id = :account AND x.list_id IN (SELECT value FROM json_each(:lists)) AND x.stage IS NOT NULL',
                [
                    'account' => $accountId->text,
                    'lists' => $lists,
                    'conversations' => json_encode(array_column($some, 'text'), \JSON_THROW_ON_ERROR),
                ],
            );
            array_push($found, ...$this->orm->getRepository(Card::class)->findBy(['id' => $ids]));
        }

        return $found;
    }

    public function rankBehind(AccountId $accountId, ListId $listId, string $stage, ?string $rank, array $except = []): ?string
    {
        return $this->rank('MIN', $accountId, $listId, $stage, $rank, $except);
    }

    public function lastRank(AccountId $accountId, ListId $listId, string $stage): ?string
    {
        return $this->rank('MAX', $accountId, $listId, $stage, null, []);
    }

    /** @param list<ObjectRef> $except */
    private function rank(string $which, AccountId $accountId, ListId $listId, string $stage, ?string $behind, array $except): ?string
    {
        $this->orm->flush();
        $of = static fn (string $table): string => "SELECT {$which}(stage_rank) AS rank FROM {$table} WHERE account_id = :account
            AND list_id = :list AND stage = :stage AND stage_rank > :behind AND id NOT IN (SELECT value FROM json_each(:except))";
        $found = $this->orm->getConnection()->fetchOne(
            "SELECT {$which}(rank) FROM ({$of('card')} UNION ALL {$of('task')})",
            [
                'account' => $accountId->text,
                'list' => $listId->text,
                'stage' => $stage,
                'behind' => $behind ?? '',
                'except' => json_encode(array_column($except, 'id'), \JSON_THROW_ON_ERROR),
            ],
        );

        return \is_string($found) ? $found : null;
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

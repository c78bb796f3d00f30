<?php

declare(strict_types=1);

namespace ZippyTray\Core\Lists;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Task\ListId;
use ZippyTray\Core\Task\Stage\AtStage;
use ZippyTray\Core\Task\Stage\StageSpot;
use ZippyTray\Core\Task\Stage\StandsAtStage;

/**
 * That a conversation belongs to a list. It is no place: the conversation is in the tray, away or in the archive as before, and neither
 * stands in the way when the other is undone.
 *
 * @phpstan-import-type StageSpotState from StageSpot
 *
 * @phpstan-type CardState array{conversation: string, list: string, since: string, stage?: StageSpotState}
 */
final class Card implements AtStage
{
    use StandsAtStage;

    public function __construct(
        public readonly string $id,
        public readonly AccountId $accountId,
        private ConversationId $conversationId,
        private ListId $listId,
        private \DateTimeImmutable $since,
    ) {
    }

    /** @param array<string, mixed> $state what state() gave */
    public static function revived(string $id, AccountId $accountId, array $state): self
    {
        /** @var CardState $state */
        $card = new self(
            $id,
            $accountId,
            new ConversationId($state['conversation']),
            new ListId($state['list']),
            new \DateTimeImmutable($state['since']),
        );
        $card->restore($state);

        return $card;
    }

    public function conversationId(): ConversationId
    {
        return $this->conversationId;
    }

    public function listId(): ListId
    {
        return $this->listId;
    }

    public function since(): \DateTimeImmutable
    {
        return $this->since;
    }

    /** Two conversations turned out to be one. */
    public function moveTo(ConversationId $conversationId): void
    {
        $this->conversationId = $conversationId;
    }

    public function standAt(?StageSpot $spot): void
    {
        $this->keepStage($spot);
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Card, $this->id);
    }

    /** @return CardState */
    public function state(): array
    {
        return [
            'conversation' => $this->conversationId->text,
            'list' => $this->listId->text,
            'since' => $this->since->format(\DATE_ATOM),
            ...$this->stageState(),
        ];
    }

    public function restore(array $state): void
    {
        /** @var CardState $state */
        $this->since = new \DateTimeImmutable($state['since']);
        $this->keepStage(StageSpot::fromState($state['stage'] ?? null));
    }

    public function needs(): array
    {
        return [
            new ObjectRef(ObjectKind::Conversation, $this->conversationId->text),
            new ObjectRef(ObjectKind::TaskList, $this->listId->text),
        ];
    }
}

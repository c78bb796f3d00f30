<?php

declare(strict_types=1);

namespace ZippyTray\Core\Lists;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Task\ListId;

/**
 * That a conversation belongs to a list. It is no place: the conversation is in the tray, away or in the archive as before, and neither
 * stands in the way when the other is undone.
 */
final class Card implements Journaled
{
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
        /** @var array{conversation: string, list: string, since: string} $state */
        return new self(
            $id,
            $accountId,
            new ConversationId($state['conversation']),
            new ListId($state['list']),
            new \DateTimeImmutable($state['since']),
        );
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

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Card, $this->id);
    }

    public function state(): array
    {
        return [
            'conversation' => $this->conversationId->text,
            'list' => $this->listId->text,
            'since' => $this->since->format(\DATE_ATOM),
        ];
    }

    public function restore(array $state): void
    {
        /** @var array{conversation: string, list: string, since: string} $state */
        $this->since = new \DateTimeImmutable($state['since']);
    }

    public function needs(): array
    {
        return [
            new ObjectRef(ObjectKind::Conversation, $this->conversationId->text),
            new ObjectRef(ObjectKind::TaskList, $this->listId->text),
        ];
    }
}

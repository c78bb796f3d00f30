<?php

declare(strict_types=1);

namespace ZippyTray\Core\Label;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Journal\Journaled;
use ZippyTray\Core\Journal\ObjectKind;
use ZippyTray\Core\Journal\ObjectRef;
use ZippyTray\Core\Mail\ConversationId;

/**
 * That a conversation bears a label. It is no part of what is decided about the conversation, so that neither stands in the way
 * when the other is undone.
 */
final class Borne implements Journaled
{
    private ConversationId $conversationId;

    private LabelId $labelId;

    private \DateTimeImmutable $since;

    public function __construct(
        public readonly string $id,
        public readonly AccountId $accountId,
        ConversationId $conversationId,
        LabelId $labelId,
        \DateTimeImmutable $since,
    ) {
        $this->conversationId = $conversationId;
        $this->labelId = $labelId;
        $this->since = $since;
    }

    /** @param array<string, mixed> $state what state() gave */
    public static function revived(string $id, AccountId $accountId, array $state): self
    {
        /** @var array{conversation: string, label: string, since: string} $state */
        return new self(
            $id,
            $accountId,
            new ConversationId($state['conversation']),
            new LabelId($state['label']),
            new \DateTimeImmutable($state['since']),
        );
    }

    public function conversationId(): ConversationId
    {
        return $this->conversationId;
    }

    public function labelId(): LabelId
    {
        return $this->labelId;
    }

    public function since(): \DateTimeImmutable
    {
        return $this->since;
    }

    public function moveTo(ConversationId $conversationId): void
    {
        $this->conversationId = $conversationId;
    }

    /** Anew, from now on. */
    public function renew(\DateTimeImmutable $now): void
    {
        $this->since = $now;
    }

    public function ref(): ObjectRef
    {
        return new ObjectRef(ObjectKind::Borne, $this->id);
    }

    public function state(): array
    {
        return [
            'conversation' => $this->conversationId->text,
            'label' => $this->labelId->text,
            'since' => $this->since->format(\DATE_ATOM),
        ];
    }

    public function restore(array $state): void
    {
        /** @var array{conversation: string, label: string, since: string} $state */
        $this->since = new \DateTimeImmutable($state['since']);
    }

    public function needs(): array
    {
        return [new ObjectRef(ObjectKind::Conversation, $this->conversationId->text)];
    }
}

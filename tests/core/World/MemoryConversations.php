<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Tray\AwayReason;
use ZippyTray\Core\Tray\BlockedSender;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Core\Tray\Place;

final readonly class MemoryConversations implements Conversations
{
    public function __construct(private Memory $memory)
    {
    }

    public function get(AccountId $accountId, ConversationId $id): Conversation
    {
        return $this->memory->conversations[$id->text] ?? throw new NotFound('conversation', $id->text);
    }

    public function several(AccountId $accountId, array $ids): array
    {
        return array_combine($ids, array_map(fn (string $id): Conversation => $this->get($accountId, new ConversationId($id)), $ids));
    }

    public function add(Conversation $conversation): void
    {
        $this->memory->conversations[$conversation->id->text] = $conversation;
    }

    public function move(array $messageIds, Conversation $conversation): void
    {
        foreach ($messageIds as $id) {
            $this->memory->conversationOf[$id->text] = $conversation->id->text;
        }
    }

    public function forget(Conversation $conversation): void
    {
        unset($this->memory->conversations[$conversation->id->text]);
    }

    public function binned(AccountId $accountId, ?\DateTimeImmutable $since = null): array
    {
        return array_values(array_filter(
            $this->memory->conversations,
            static fn (Conversation $conversation): bool => null !== $conversation->binnedAt()
                && (null === $since || $conversation->binnedAt() <= $since),
        ));
    }

    public function waitingFrom(AccountId $accountId, string $pattern, \DateTimeImmutable $now): array
    {
        return array_values(array_filter(
            $this->memory->conversations,
            fn (Conversation $conversation): bool => (Place::Tray === $conversation->placeAt($now) || $conversation->isHeld($now))
                && $this->isOnlyFrom($conversation, $pattern),
        ));
    }

    public function blockedFrom(AccountId $accountId, string $pattern): array
    {
        return array_values(array_filter(
            $this->memory->conversations,
            static fn (Conversation $conversation): bool => Place::Blocked->value === $conversation->state()['place'] && \in_array(
                $pattern,
                BlockedSender::patternsFor($conversation->senderEmail()),
                true,
            ),
        ));
    }

    public function awaitingClearing(AccountId $accountId, \DateTimeImmutable $now, \DateTimeImmutable $until): array
    {
        return array_values(array_filter(
            $this->memory->conversations,
            static fn (Conversation $conversation): bool => AwayReason::NextClearing === $conversation->awayReason()
                && !$conversation->hasReturned($now)
                && $conversation->decidedAt() <= $until,
        ));
    }

    public function held(AccountId $accountId, \DateTimeImmutable $now): array
    {
        return array_values(array_filter(
            $this->memory->conversations,
            static fn (Conversation $conversation): bool => $conversation->isHeld($now),
        ));
    }

    public function touched(Conversation $conversation, string $occasion, \DateTimeImmutable $at): void
    {
        $this->memory->touches[$conversation->id->text][$occasion] ??= $at;
    }

    private function isOnlyFrom(Conversation $conversation, string $pattern): bool
    {
        foreach (array_keys($this->memory->conversationOf, $conversation->id->text, true) as $id) {
            $message = $this->memory->messages[$id];
            if (!$message->own && !\in_array($pattern, BlockedSender::patternsFor($message->from->email), true)) {
                return false;
            }
        }

        return true;
    }

    public function erase(Conversation $conversation): void
    {
        unset($this->memory->conversations[$conversation->id->text]);
        foreach (array_keys($this->memory->conversationOf, $conversation->id->text, true) as $message) {
            $this->memory->erased[] = $this->memory->messages[$message]->fingerprint;
            unset($this->memory->messages[$message], $this->memory->conversationOf[$message], $this->memory->sources[$message]);
        }
    }
}

<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\OutgoingId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Owed\Owed;
use ZippyTray\Core\Owed\Owing;

final readonly class MemoryOwing implements Owing
{
    public function __construct(private Memory $memory)
    {
    }

    public function get(AccountId $accountId, string $id): Owed
    {
        return $this->memory->owed[$id] ?? throw new NotFound('answer', $id);
    }

    public function add(Owed $owed): void
    {
        $this->memory->owed[$owed->id] = $owed;
    }

    public function openIn(AccountId $accountId, ConversationId $conversationId): array
    {
        return $this->open(static fn (Owed $owed): bool => true === $owed->conversationId()?->is($conversationId));
    }

    public function openOf(AccountId $accountId, OutgoingId $outgoingId): array
    {
        return $this->open(static fn (Owed $owed): bool => true === $owed->outgoingId?->is($outgoingId));
    }

    public function move(AccountId $accountId, ConversationId $fromConversation, ConversationId $toConversation): void
    {
        foreach ($this->memory->owed as $owed) {
            if (true === $owed->conversationId()?->is($fromConversation)) {
                $owed->belongsTo($toConversation);
            }
        }
    }

    /**
     * @param callable(Owed): bool $which
     *
     * @return list<Owed>
     */
    private function open(callable $which): array
    {
        return array_values(array_filter($this->memory->owed, static fn (Owed $owed): bool => $owed->isOpen() && $which($owed)));
    }
}

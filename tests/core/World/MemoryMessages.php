<?php

declare(strict_types=1);

namespace ZippyTray\Tests\Core\World;

use ZippyTray\Core\AccountId;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Message;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\NotFound;

final readonly class MemoryMessages implements Messages
{
    public function __construct(private Memory $memory)
    {
    }

    public function get(AccountId $accountId, EmailId $id): Message
    {
        return $this->memory->messages[$id->text] ?? throw new NotFound('message', $id->text);
    }

    public function newestIn(AccountId $accountId, ConversationId $conversationId): EmailId
    {
        $ids = array_keys($this->memory->conversationOf, $conversationId->text, true);

        return new EmailId((string) ($ids[\count($ids) - 1] ?? throw new NotFound('conversation', $conversationId->text)));
    }

    public function isAnsweredByHand(AccountId $accountId, ConversationId $conversationId, \DateTimeImmutable $after): bool
    {
        return [] !== array_filter(
            $this->ofConversation($accountId, $conversationId),
            static fn (Message $one): bool => !$one->own && $one->sentAt->instant > $after
                && [] === array_intersect_key($one->listHeaders, ['auto-submitted' => true, 'precedence' => true]),
        );
    }

    public function ofConversation(AccountId $accountId, ConversationId $conversationId): array
    {
        $messages = array_values(array_intersect_key(
            $this->memory->messages,
            array_flip(array_keys($this->memory->conversationOf, $conversationId->text, true)),
        ));
        usort($messages, static fn (Message $a, Message $b): int => [$a->sentAt->instant, $a->id] <=> [$b->sentAt->instant, $b->id]);

        return $messages;
    }

    public function at(AccountId $accountId, string $address): Message
    {
        foreach ($this->memory->messages as $message) {
            if (\in_array($address, ['mid:'.$message->messageHeader, '<'.$message->messageHeader.'>', $message->id->text], true)) {
                return $message;
            }
        }
        throw new NotFound('message', $address);
    }

    public function source(Message $message): string
    {
        return $this->memory->sources[$message->id->text] ?? "Subject: {$message->subject}\r\n\r\n{$message->text}";
    }

    public function known(AccountId $accountId, string $fingerprint): ?EmailId
    {
        foreach ($this->memory->messages as $message) {
            if ($message->fingerprint === $fingerprint) {
                return $message->id;
            }
        }

        return null;
    }

    public function isErased(AccountId $accountId, string $fingerprint): bool
    {
        return \in_array($fingerprint, $this->memory->erased, true);
    }

    public function add(Message $message, string $raw, ConversationId $conversationId, string $attached = ''): void
    {
        $this->memory->messages[$message->id->text] = $message;
        $this->memory->sources[$message->id->text] = $raw;
        $this->memory->conversationOf[$message->id->text] = $conversationId->text;
    }

    public function conversationOf(Message $message): ConversationId
    {
        return new ConversationId(
            $this->memory->conversationOf[$message->id->text] ?? throw new NotFound('conversation', $message->id->text),
        );
    }
}
